@extends('site.frame')

@section('head')
    <title>{{ $found->words->isEmpty() ? 'Search' : "Search: {$found->words->text}" }} · {{ $site->name }}</title>
    <meta name="robots" content="noindex">
@endsection

@section('body')
<div class="wide main">
    <main id="site-content" class="words results">
        <h1>Search</h1>
        <form class="ask" action="/_search" role="search" aria-label="This site">
            <label for="asked">Words to look for</label>
            <p><input id="asked" name="q" type="search" maxlength="100" value="{{ $found->words->text }}" @if ($found->words->isEmpty()) autofocus @endif> <button type="submit">Search</button></p>
        </form>
@if ($found->words->isEmpty())
@if ($isAsked)
        <p role="status">Write at least one word to look for.</p>
@endif
@else
@if ($found->answer !== null)
        <div class="answer">
@if ($found->answer['address'] !== null)
            <p><a href="{{ $found->answer['address'] }}">{{ $found->answer['name'] }}</a></p>
@endif
@if ($found->answer['text'] !== '')
            <p>{{ $found->answer['text'] }}</p>
@endif
        </div>
@endif
        <p role="status">
@switch ($found->outcome)
@case ('found')
            {{ $found->counted() }} “{{ $found->words->text }}”.
@break
@case ('near')
            No page has “{{ $found->words->text }}”. Did you mean <a href="/_search?q={{ rawurlencode($found->meant) }}">{{ $found->meant }}</a>? {{ $found->counted() }} that.
@break
@case ('some')
            No page has all of “{{ $found->words->text }}”. {{ $found->total === 1 ? 'This page has' : 'These have' }} some of it.
@break
@default
@if ($found->answer === null)
            No page has “{{ $found->words->text }}”. Try other or fewer words, or use the menu above.
@else
            No page has “{{ $found->words->text }}” besides.
@endif
@endswitch
        </p>
@if ($found->pages !== [])
        <ol class="hits" start="{{ ($found->piece - 1) * \App\Desk\SearchSite::PIECE + 1 }}">
@foreach ($found->pages as $hit)
            <li>
                <h2><a href="{{ $hit['address'] }}">{{ $hit['name'] }}</a></h2>
@foreach (array_filter([$hit['description'], $hit['says']]) as $text)
                <p>{!! \App\Http\Site\Marked::html($text) !!}</p>
@endforeach
                <p class="at">{{ \Heronstem\Core\Address\NormalForm::readable($hit['address']) }}</p>
            </li>
@endforeach
        </ol>
@endif
@if ($found->pieces() > 1)
        <nav class="turn" aria-label="Pages of results">
@if ($found->piece > 1)
            <a rel="prev" href="/_search?q={{ rawurlencode($found->words->text) }}&amp;page={{ $found->piece - 1 }}">Previous results</a>
@endif
            <span>Page {{ $found->piece }} of {{ $found->pieces() }}</span>
@if ($found->piece < $found->pieces())
            <a rel="next" href="/_search?q={{ rawurlencode($found->words->text) }}&amp;page={{ $found->piece + 1 }}">More results</a>
@endif
        </nav>
@endif
@endif
    </main>
</div>
@endsection
