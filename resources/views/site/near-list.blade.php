@if ($near !== [])
        <h2>Did you want one of these?</h2>
        <ul class="near">
@foreach ($near as $likely)
            <li><a href="{{ $likely->address }}">{{ $likely->name }}</a> <code>{{ \Heronstem\Core\Address\NormalForm::readable($likely->address) }}</code></li>
@endforeach
        </ul>
@else
        <p>No page of this site has a similar name or address.</p>
@endif
