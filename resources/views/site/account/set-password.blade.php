@extends('site.account.frame')
@section('title', 'Set your password')
@section('form')
        <p>For {{ $account->email }}. At least 12 characters; a few words in a row work well.</p>
        <form class="account" method="post" action="/_account/set">
            <input type="hidden" name="link" value="{{ $link }}">
            <p><label for="password">New password</label><input id="password" name="password" type="password" autocomplete="new-password" required></p>
            <p><button>Set the password</button></p>
        </form>
@endsection
