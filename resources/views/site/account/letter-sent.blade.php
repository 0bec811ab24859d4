@extends('site.account.frame')
@section('title', 'Look into your mail')
@section('form')
        <p>If there can be an account with <b>{{ $mail }}</b>, a letter is on its way. Follow the link in it to set a password.</p>
@endsection
