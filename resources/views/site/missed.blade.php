@extends('site.frame')

@section('head')
    <title>Page not found · {{ $site->name }}</title>
    <meta name="robots" content="noindex">
@endsection

@section('body')
<div class="wide main">
    <main id="site-content" class="words">
@if ($isGone)
        <h1>This page is gone</h1>
        <p>What was at <code>{{ \Heronstem\Core\Address\NormalForm::readable($address) }}</code> has been taken down for good.</p>
@else
        <h1>There is no page here</h1>
        <p>Nothing answers at <code>{{ \Heronstem\Core\Address\NormalForm::readable($address) }}</code>. The page may have been taken down, or the address may have a slip in it.</p>
@endif
@if ($near !== [])
        <h2>Did you want one of these?</h2>
        <ul class="near">
@foreach ($near as $likely)
            <li><a href="{{ $likely->address }}">{{ $likely->name }}</a> <code>{{ \Heronstem\Core\Address\NormalForm::readable($likely->address) }}</code></li>
@endforeach
        </ul>
@endif
        <p><a href="{{ $start?->address ?? '/' }}">Begin at the start page</a>, or use the menu above.</p>
    </main>
</div>
@endsection
