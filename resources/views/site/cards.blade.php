@if ($cards !== [])
        <ul class="cards"{{ $inert }}>
@foreach ($cards as $card)
            <li>@if ($card->picture !== null)<img src="{{ $card->picture }}" alt="" width="480" height="270" loading="lazy">@endif<a href="{{ $card->address }}">{{ $card->name }}</a>@if ($card->text !== '')<p>{{ $card->text }}</p>@endif</li>
@endforeach
        </ul>
@endif
