@extends('site.account.frame')
@section('title', 'Somebody has to let you in')
@section('form')
        <p>Your mail address is confirmed and your password is set. As soon as somebody who looks after this site has let you in, you can <a href="/_account/sign-in">sign in</a>.</p>
@endsection
