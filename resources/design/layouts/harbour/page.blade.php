@extends('site.page')

@section('above')
@if ($fields->has('picture'))
        <p class="view"{{ $inert }}>@include('site.picture', ['picture' => $fields->picture('picture'), 'sizes' => '(max-width: 800px) 100vw, 760px', 'lazy' => false])</p>
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
