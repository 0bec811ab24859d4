@extends('site.frame')

@section('head')
    <title>Page not found · {{ $site->name }}</title>
    <meta name="robots" content="noindex">
    <script src="/_site/near.js" defer></script>
@endsection

@section('body')
<div class="wide main">
    <main id="site-content" class="words">
@if ($isGone)
        <h1>This page is gone</h1>
        <p>What was at <code>{{ $address }}</code> has been taken down for good.</p>
@else
        <h1>There is no page here</h1>
        <p>Nothing answers at <code>{{ $address }}</code>. The page may have been taken down, or the address may have a slip in it.</p>
@endif
        <p><a href="{{ $start?->address ?? '/' }}">Begin at the start page</a>, or use the menu above.</p>
        <div id="near"><p><a href="/_near?to={{ $inLink }}" rel="nofollow">Look for pages with similar addresses</a></p></div>
    </main>
</div>
@endsection
