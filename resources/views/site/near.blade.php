@extends('site.frame')

@section('head')
    <title>Similar addresses · {{ $site->name }}</title>
    <meta name="robots" content="noindex">
@endsection

@section('body')
<div class="wide main">
    <main id="site-content" class="words">
        <h1>Pages with similar addresses</h1>
        <p>Nothing answers at <code>{{ \Heronstem\Core\Address\NormalForm::readable($address) }}</code>.</p>
@include('site.near-list')
        <p><a href="{{ $start?->address ?? '/' }}">Begin at the start page</a>, or use the menu above.</p>
    </main>
</div>
@endsection
