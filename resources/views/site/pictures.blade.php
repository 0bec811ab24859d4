@if ($fields->rows($key) !== [])
        <ul class="pictures"{{ $inert }}>
@foreach ($fields->rows($key) as $row)
@if ($row->has('picture'))
            <li>@include('site.picture', ['picture' => $row->picture('picture'), 'sizes' => '(max-width: 600px) 100vw, 360px'])@if ($row->has('caption'))<p>{{ $row->show('caption') }}</p>@endif</li>
@endif
@endforeach
        </ul>
@endif
