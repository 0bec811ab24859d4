@extends('site.frame')

@section('head')
    <title>Not open to you · {{ $site->name }}</title>
    <meta name="robots" content="noindex">
@endsection

@section('body')
<div class="wide main">
    <main id="site-content" class="words">
        <h1>This page is not open to you</h1>
@if ($visitor !== null)
        <p>You are signed in as {{ $visitor->name }}, and this page is for others. If you need it, ask whoever looks after this site.</p>
@else
        <p>It can be seen by some visitors only, or from some places. If you need it, ask whoever looks after this site.</p>
@endif
        <p><a href="{{ $start?->address ?? '/' }}">Begin at the start page</a>, or use the menu above.</p>
    </main>
</div>
@endsection
