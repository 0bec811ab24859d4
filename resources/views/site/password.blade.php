@extends('site.frame')

@section('head')
    <title>Password needed · {{ $site->name }}</title>
    <meta name="robots" content="noindex">
@endsection

@section('body')
<div class="wide main">
    <main id="site-content" class="words">
        <h1>This page opens with a password</h1>
        <p>Whoever gave you this address can tell you the password.</p>
@if ($refused !== null)
        <p class="refused" role="alert">{{ $refused }}</p>
@endif
        <form class="account" method="post" action="/_account/open">
            <input type="hidden" name="to" value="{{ $to }}">
            <p><label for="page-password">Password of this page</label><input id="page-password" name="password" type="password" autocomplete="off" required></p>
            <p><button>Open the page</button></p>
        </form>
    </main>
</div>
@endsection
