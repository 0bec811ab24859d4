@extends('site.frame')

@section('head')
    <title>Sign in · {{ $site->name }}</title>
    <meta name="robots" content="noindex">
@endsection

@section('body')
<div class="wide main">
    <main id="site-content" class="words">
        <h1>Sign in</h1>
@if ($refused !== null)
        <p class="refused" role="alert">{{ $refused }}</p>
@endif
        <form class="account" method="post" action="/_account/sign-in">
            <input type="hidden" name="to" value="{{ $to }}">
            <p><label for="mail">Mail address</label><input id="mail" name="mail" type="email" autocomplete="username" required value="{{ $mail }}"></p>
            <p><label for="password">Password</label><input id="password" name="password" type="password" autocomplete="current-password" required></p>
            <p><button>Sign in</button></p>
        </form>
        <p><a href="/_account/forgotten">Password forgotten?</a>@if (\Heronstem\Core\Visitors\SignUp::stored($site->sign_up)->isOpen()) No account yet? <a href="/_account/sign-up">Make one</a>.@endif</p>
    </main>
</div>
@endsection
