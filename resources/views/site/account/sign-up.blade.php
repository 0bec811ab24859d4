@extends('site.account.frame')
@section('title', 'Make an account')
@section('form')
        <p>We send a letter to your mail address. It holds a link by which you set a password.</p>
        <form class="account" method="post" action="/_account/sign-up">
            <p><label for="name">Your name</label><input id="name" name="name" autocomplete="name" maxlength="100" required value="{{ $typed['name'] }}"></p>
            <p><label for="mail">Mail address</label><input id="mail" name="mail" type="email" autocomplete="email" required value="{{ $typed['mail'] }}"></p>
            <p><button>Send me the letter</button></p>
        </form>
        <p>You have an account already? <a href="/_account/sign-in">Sign in</a>.</p>
@endsection
