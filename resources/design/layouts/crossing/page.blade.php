@extends('site.page')

@section('above')
        <dl class="facts"{{ $inert }}>
@foreach (['from', 'to', 'boat'] as $key)
@if ($fields->has($key))
            <div><dt>{{ $fields->label($key) }}</dt><dd><a href="{{ $fields->page($key)['address'] }}">{{ $fields->page($key)['name'] }}</a></dd></div>
@endif
@endforeach
@foreach (['takes', 'sails', 'vehicles'] as $key)
@if ($fields->has($key))
            <div><dt>{{ $fields->label($key) }}</dt><dd>{{ $fields->show($key) }}</dd></div>
@endif
@endforeach
        </dl>
@endsection

@section('below')
        <section class="rows" aria-labelledby="site-fares"{{ $inert }}>
            <h2 id="site-fares">{{ $fields->label('fares') }}</h2>
@include('site.rows', ['key' => 'fares', 'caption' => 'One crossing, tax included'])
        </section>
@endsection
