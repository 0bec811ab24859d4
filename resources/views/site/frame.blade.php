@php($assets = ($preview ?? false) ? request()->getSchemeAndHttpHost() : '')
<!doctype html>
<html lang="{{ $site->language }}">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
@if ($preview ?? false)
    <base href="{{ $site->origin }}/" target="_blank">
@endif
@yield('head')
    <link rel="icon" href="{{ $assets }}/_site/mark.svg" type="image/svg+xml">
    <link rel="preload" href="{{ $assets }}/_site/literata.woff2" as="font" type="font/woff2" crossorigin>
    <link rel="stylesheet" href="{{ $assets }}/_site/site.css">
</head>
<body>
<a class="skip" href="#words">Skip to the words</a>
@if ($preview ?? false)
<p class="preview-note">Preview of words that visitors do not see yet</p>
@endif
<header class="head">
    <div class="wide head-in">
        <a class="brand" href="{{ $start?->address ?? '/' }}"><span class="brand-name">{{ $site->name }}</span>@if ($site->tagline !== '')<span class="brand-line">{{ $site->tagline }}</span>@endif</a>
        <nav class="bar" aria-label="Main">
            <ul>
@foreach ($menu as $entry)
@continue($entry->id === $site->start_page_id)
                <li>
                    <a href="{{ $entry->address }}" @class(['on' => in_array($entry->id, $trail ?? [], true)])@if (isset($page) && $entry->id === $page->id) aria-current="page"@endif>{{ $entry->name }}</a>
@if ($entry->below !== [])
                    <ul class="drop">
@foreach ($entry->below as $below)
                        <li><a href="{{ $below->address }}"@if (isset($page) && $below->id === $page->id) aria-current="page"@endif>{{ $below->name }}</a></li>
@endforeach
                    </ul>
@endif
                </li>
@endforeach
            </ul>
        </nav>
    </div>
</header>
@yield('body')
<footer class="foot">
    <div class="wide foot-in">
@foreach ($menu as $entry)
@continue($entry->id === $site->start_page_id)
        <nav aria-label="{{ $entry->name }}">
            <p class="foot-head"><a href="{{ $entry->address }}">{{ $entry->name }}</a></p>
@if ($entry->below !== [])
            <ul>
@foreach (array_slice($entry->below, 0, 5) as $below)
                <li><a href="{{ $below->address }}">{{ $below->name }}</a></li>
@endforeach
            </ul>
@endif
        </nav>
@endforeach
    </div>
    <p class="wide foot-line">{{ $site->name }}@if ($site->tagline !== '') · {{ $site->tagline }}@endif</p>
</footer>
</body>
</html>
