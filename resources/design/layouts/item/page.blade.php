@extends('site.page')

@section('above')
@include('site.pictures', ['key' => 'pictures'])
        <dl class="facts"{{ $inert }}>
@foreach ($fields->filled() as $field)
@if ($field->kind->value !== 'long-text' && $field->kind->value !== 'picture')
            <div><dt>{{ $field->title }}</dt><dd>@include('site.value', ['of' => $fields, 'key' => $field->key])</dd></div>
@endif
@endforeach
        </dl>
@endsection

@section('below')
@foreach ($fields->filled() as $field)
@if ($field->kind->value === 'long-text')
        <h2>{{ $field->title }}</h2>
@foreach ($fields->paragraphs($field->key) as $paragraph)
        <p>{{ $paragraph }}</p>
@endforeach
@elseif ($field->kind->value === 'picture')
        <p class="view"{{ $inert }}>@include('site.picture', ['picture' => $fields->picture($field->key), 'sizes' => '(max-width: 800px) 100vw, 760px'])</p>
@endif
@endforeach
@endsection
