@extends('site.account.frame')
@section('title', 'Set a new password')
@section('form')
        <form class="account" method="post" action="/_account/forgotten">
            <p><label for="mail">Mail address of your account</label><input id="mail" name="mail" type="email" autocomplete="email" required value="{{ $mail }}"></p>
            <p><button>Send me a link</button></p>
        </form>
@endsection
