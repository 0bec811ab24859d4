@extends('site.page')

@section('above')
@if ($fields->has('picture'))
        <p class="view"{{ $inert }}><img class="wide-view {{ $fields->picture('picture')->classes }}" src="{{ $fields->picture('picture')->address }}" alt="{{ $fields->picture('picture')->alt }}" width="{{ $fields->picture('picture')->width }}" height="{{ $fields->picture('picture')->height }}"></p>
@endif
        <dl class="facts"{{ $inert }}>
@foreach (['open', 'parking', 'stepFree', 'berths'] as $key)
@if ($fields->has($key))
            <div><dt>{{ $fields->label($key) }}</dt><dd>{{ $fields->show($key) }}</dd></div>
@endif
@endforeach
@if ($fields->has('map'))
            <div><dt>{{ $fields->label('map') }}</dt><dd><a href="{{ $fields->file('map')->address }}">{{ $fields->file('map')->kind() }}, {{ $fields->file('map')->size() }}</a></dd></div>
@endif
        </dl>
@endsection

@section('below')
@include('site.pictures', ['key' => 'pictures'])
@include('site.cards')
@endsection
