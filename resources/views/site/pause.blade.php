@extends('site.frame')

@section('head')
    <title>One moment · {{ $site->name }}</title>
    <meta name="robots" content="noindex">
@endsection

@section('body')
<div class="wide main">
    <main id="site-content" class="words pause">
        <h1>One moment</h1>
        {!! $message !!}
        <p class="onward"><a href="{{ $onward }}">Go on now</a></p>
@if ($seconds > 0)
        <p class="wait">This page goes on by itself after {{ $seconds }} {{ $seconds === 1 ? 'second' : 'seconds' }}.</p>
@endif
    </main>
</div>
@endsection
