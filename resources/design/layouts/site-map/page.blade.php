@extends('site.page')

@section('below')
@if ($siteMap !== [])
        <div class="site-map"{{ $inert }}>
@php($open = -1)
@foreach ($siteMap as $entry)
@if ($entry->level > $open)
<ul>@php($open = $entry->level)
@else
{!! str_repeat('</li></ul>', $open - $entry->level) !!}</li>@php($open = $entry->level)
@endif
<li><a href="{{ $entry->address }}"@if ($entry->id === $page->id) aria-current="page"@endif>{{ $entry->name }}</a>
@endforeach
{!! str_repeat('</li></ul>', $open + 1) !!}
        </div>
@endif
@endsection
