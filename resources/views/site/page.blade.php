@extends('site.frame')

@section('head')
    <title>{{ $head->title->text }}</title>
@if ($head->description->text !== '')
    <meta name="description" content="{{ $head->description->text }}">
@endif
@if ($head->robots !== '')
    <meta name="robots" content="{{ $head->robots }}">
@endif
@if ($head->canonical !== null)
    <link rel="canonical" href="{{ $head->canonical }}">
@endif
@foreach ($head->openGraph() as $property => $content)
    <meta property="{{ $property }}" content="{{ $content }}">
@endforeach
@foreach ($head->card() as $name => $content)
    <meta name="{{ $name }}" content="{{ $content }}">
@endforeach
    <script type="application/ld+json">{!! $linkedData !!}</script>
@unless (($preview ?? false) || ($room ?? false))
{!! $code['head']->html !!}@endunless
@endsection

@section('body')
<div @class(['wide', 'main', 'with-side' => $side !== []])>
@if ($side !== [])
    <nav class="side" aria-label="In this section"{{ $inert }}>
        <ul>
@foreach ($side as $entry)
            <li class="level-{{ min(3, $entry->level) }}"><a href="{{ $entry->address }}" @class(['on' => in_array($entry->ulid, $trail, true)])@if ($entry->id === $page->id) aria-current="page"@endif>{{ $entry->name }}</a></li>
@endforeach
        </ul>
    </nav>
@endif
    <main id="site-content" @class(['words', 'home' => $isStart])>
@unless ($isStart)
        <nav class="crumbs" aria-label="Breadcrumb"{{ $inert }}>
            <ol>
@if ($start !== null && ! in_array($start->id, array_column($crumbs, 'id'), true))
                <li><a href="{{ $start->address }}">{{ $start->name }}</a></li>
@endif
@foreach ($crumbs as $crumb)
                <li><a href="{{ $crumb->address }}">{{ $crumb->name }}</a></li>
@endforeach
                <li aria-current="page">{{ $page->name }}</li>
            </ol>
        </nav>
@endunless
        <h1{!! ($room ?? false) ? ' data-room="heading"' : '' !!}>{{ $page->displayHeading() }}</h1>
@if ($page->summary !== '' || ($room ?? false))
        <p class="summary"@if ($room ?? false) data-room="summary"@endif>{{ $page->summary }}</p>
@endif
@if ($room ?? false)
        <div data-room="above">@yield('above')</div>
@else
@yield('above')
@endif
@if ($room ?? false)
        <div data-room="content"></div>
@elseif ($html !== '')
        <div class="content">{!! $html !!}</div>
@endif
@if ($room ?? false)
        <div data-room="below">@yield('below')</div>
@else
@yield('below')
@endif
@if ($reload !== null)
        <p class="reload"{{ $inert }}>This page loads anew every {{ $reload === 1 ? 'minute' : "$reload minutes" }}. <a href="{{ $page->address }}?still" rel="nofollow">Keep it as it is</a></p>
@endif
    </main>
@if ($menus['see-also'] !== [] && ! $isStart)
    <aside class="see-also" aria-label="See also"{{ $inert }}>
        <h2>See also</h2>
        <ul>
@foreach ($menus['see-also'] as $pick)
            <li><a href="{{ $pick->href }}">{{ $pick->label }}</a></li>
@endforeach
        </ul>
    </aside>
@endif
</div>
@endsection
