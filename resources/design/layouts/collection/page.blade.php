@extends('site.page')

@section('below')
@if ($collection !== null)
@include('site.collection')
@endif
@endsection
