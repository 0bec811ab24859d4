@php($assets = ($preview ?? false) ? request()->getSchemeAndHttpHost() : '')
<!DOCTYPE html>
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
@if ($styles['ships'])
    <link rel="stylesheet" href="{{ $assets }}/_site/site.css">
@endif
@if ($styles['own'] !== null)
    <link rel="stylesheet" href="{{ ($preview ?? false) ? $site->origin : $assets }}{{ $styles['own'] }}">
@endif
@if ($room ?? false)
    <link rel="stylesheet" href="/_site/room.css">
@endif
@if (($code['styles'] ?? '') !== '')
    <style>{!! $code['styles'] !!}</style>
@endif
@if (str_contains($html ?? '', 'class="enlarge"'))
    <script src="{{ $assets }}/_site/enlarge.js" defer></script>
@endif
@if (str_contains($html ?? '', ' data-film="'))
    <script src="{{ $assets }}/_site/film.js" defer></script>
@endif
</head>
<body>
<a class="skip" href="#site-content"{{ $inert }}>Skip to the content</a>
@if ($preview ?? false)
<p class="preview-note">{{ $previewNote ?? 'Preview of content that visitors do not see yet' }}</p>
@endif
<div class="quick"{{ $inert }}>
    <div class="wide quick-in">
@if ($menus['quick'] !== [])
        <nav aria-label="Quick links">
            <ul>
@foreach ($menus['quick'] as $entry)
                <li>@include('site.entry', ['entry' => $entry, 'onTrail' => false])</li>
@endforeach
            </ul>
        </nav>
@endif
@unless (isset($found))
        <form class="find" action="/_search" role="search" aria-label="This site">
            <label for="site-find" class="unseen">Search this site</label>
            <input id="site-find" name="q" type="search" maxlength="100" placeholder="Search this site"><button type="submit">Search</button>
        </form>
@endunless
    </div>
</div>
<header class="head"{{ $inert }}>
    <div class="wide head-in">
        <a class="brand" href="{{ $start?->address ?? '/' }}"><span @class(['brand-name', 'long' => $site->short_name !== ''])>{{ $site->name }}</span>@if ($site->short_name !== '')<span class="brand-name short">{{ $site->short_name }}</span>@endif @if ($site->tagline !== '')<span class="brand-line">{{ $site->tagline }}</span>@endif</a>
@if ($menus['main'] !== [])
        <input type="checkbox" id="site-bar-open" class="bar-switch" aria-label="Show the menu"><label for="site-bar-open" class="bar-label" aria-hidden="true">Menu</label>
        <nav class="bar" aria-label="Main">
            <ul>
@foreach ($menus['main'] as $entry)
                <li>
                    @include('site.entry', ['entry' => $entry, 'onTrail' => true])
@if ($entry->under !== [])
                    <input type="checkbox" class="drop-switch" aria-label="Show what is in {{ $entry->label }}">
                    <ul class="drop">
@foreach ($entry->under as $below)
                        <li>@include('site.entry', ['entry' => $below, 'onTrail' => false])</li>
@endforeach
                    </ul>
@endif
                </li>
@endforeach
            </ul>
        </nav>
@endif
    </div>
</header>
@yield('body')
<footer class="foot"{{ $inert }}>
    <div class="wide foot-in">
@foreach ($menus['footer'] as $entry)
        <nav aria-label="{{ $entry->label }}">
            <p class="foot-head">@include('site.entry', ['entry' => $entry, 'onTrail' => false])</p>
@if ($entry->under !== [])
            <ul>
@foreach ($entry->under as $below)
                <li>@include('site.entry', ['entry' => $below, 'onTrail' => false])</li>
@endforeach
            </ul>
@endif
        </nav>
@endforeach
    </div>
    <div class="wide foot-line"><p>{{ $site->name }}@if ($site->tagline !== '') · {{ $site->tagline }}@endif</p>
@if ($visitor !== null)
        <form method="post" action="/_account/sign-out"><span>Signed in as <a href="/_account">{{ $visitor->name }}</a></span> <button>Sign out</button></form>
@elseif ($signsIn)
        <p><a href="/_account/sign-in">Sign in</a></p>
@endif
    </div>
</footer>
</body>
</html>
