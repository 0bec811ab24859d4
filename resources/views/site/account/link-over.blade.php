@extends('site.account.frame')
@section('title', 'This link is no longer valid')
@section('form')
        <p>It has been used, or its time is over. <a href="/_account/forgotten">Ask for another one</a>.</p>
@endsection
