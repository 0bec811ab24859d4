@if ($fields->rows($key) !== [])
        <ul class="pictures"{{ $inert }}>
@foreach ($fields->rows($key) as $row)
@if ($row->has('picture'))
            <li><img class="{{ $row->picture('picture')->classes }}" src="{{ $row->picture('picture')->address }}" alt="{{ $row->picture('picture')->alt }}" width="{{ $row->picture('picture')->width }}" height="{{ $row->picture('picture')->height }}" loading="lazy">@if ($row->has('caption'))<p>{{ $row->show('caption') }}</p>@endif</li>
@endif
@endforeach
        </ul>
@endif
