@extends('site.frame')

@section('head')
    <title>@yield('title') · {{ $site->name }}</title>
    <meta name="robots" content="noindex">
@endsection

@section('body')
<div class="wide main">
    <main id="site-content" class="words">
        <h1>@yield('title')</h1>
@if ($refused !== null)
        <p class="refused" role="alert">{{ $refused }}</p>
@endif
@yield('form')
    </main>
</div>
@endsection
