@extends('site.page')

@section('below')
@include('site.cards')
@endsection
