@switch($of->kind($key))
@case('page')<a href="{{ $of->page($key)['address'] }}">{{ $of->page($key)['name'] }}</a>@break
@case('file')<a href="{{ $of->file($key)->address }}">{{ $of->file($key)->kind() }}, {{ $of->file($key)->size() }}</a>@break
@default{{ $of->show($key) }}@endswitch