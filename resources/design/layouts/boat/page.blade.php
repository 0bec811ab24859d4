@extends('site.page')

@section('above')
        <dl class="facts"{{ $inert }}>
@foreach (['built', 'length', 'people', 'cars', 'refit'] as $key)
@if ($fields->has($key))
            <div><dt>{{ $fields->label($key) }}</dt><dd>{{ $fields->show($key) }}</dd></div>
@endif
@endforeach
@if ($fields->has('sails'))
            <div><dt>{{ $fields->label('sails') }}</dt><dd><a href="{{ $fields->page('sails')['address'] }}">{{ $fields->page('sails')['name'] }}</a></dd></div>
@endif
        </dl>
@endsection

@section('below')
@include('site.pictures', ['key' => 'pictures'])
@endsection
