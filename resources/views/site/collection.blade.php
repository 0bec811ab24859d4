@if ($collection->groups !== [])
        @include('site.cards', ['cards' => $collection->groups])
@endif
@if ($collection->filters !== [])
        <details class="narrow"{{ $collection->terms->filters() ? ' open' : '' }}{{ $inert }}>
        <summary>Filter</summary>
        <form action="{{ $collection->address() }}" method="get" aria-label="Filter this list">
@if ($collection->terms->sort !== null)
            <input type="hidden" name="sort" value="{{ $collection->terms->sortKey() }}">
@endif
@foreach ($collection->filters as $field)
@if ($field->choices() !== [] || $field->kind->value === 'yes-no')
            <label>{{ $field->title }}
                <select name="{{ $field->key }}">
                    <option value="">Any</option>
@foreach ($field->kind->value === 'yes-no' ? ['yes' => 'Yes', 'no' => 'No'] : $field->choices() as $value => $title)
                    <option value="{{ $value }}" @selected(($collection->terms->is[$field->key] ?? null) === (string) $value)>{{ $title }}</option>
@endforeach
                </select>
            </label>
@else
            <fieldset>
                <legend>{{ $field->title }}{{ $field->unit() === '' ? '' : ', '.$field->unit() }}{{ $field->currency() === '' ? '' : ', '.$field->currency() }}</legend>
@foreach (['from' => $collection->terms->from, 'to' => $collection->terms->to] as $end => $bounds)
                <label>{{ $end }} <input name="{{ $field->key }}-{{ $end }}" value="{{ $bounds[$field->key] ?? '' }}" @if ($field->kind->value === 'date') type="date" @else inputmode="decimal" size="8" @endif></label>
@endforeach
            </fieldset>
@endif
@endforeach
            <button>Filter</button>
@if ($collection->terms->filters())
            <a href="{{ $collection->address() }}">Show all {{ $collection->all }}</a>
@endif
        </form>
        </details>
@endif
@if ($collection->all === 0)
@if ($collection->groups === [])
        <p class="none">{{ $fields->show('noItems') }}</p>
@endif
@elseif ($collection->found === 0)
        <p class="none">Nothing here matches. <a href="{{ $collection->address() }}">Show all {{ $collection->all }}</a></p>
@else
@if ($collection->isTable)
        <div class="rows"{{ $inert }}>
            <table>
                <caption>{{ $collection->terms->filters() ? "Showing {$collection->found} of {$collection->all}" : "Showing all {$collection->all}" }}</caption>
                <thead>
                    <tr>
                        <th scope="col"@if ($collection->sortOf('name') !== null) aria-sort="{{ $collection->sortOf('name') }}"@endif><a href="{{ $collection->sortedBy('name') }}">Name</a></th>
@foreach ($collection->columns as $column)
                        <th scope="col" @class(['number' => $column->isNumeric()])@if ($collection->sortOf($column->key) !== null) aria-sort="{{ $collection->sortOf($column->key) }}"@endif>@if (\Heronstem\Core\Content\Collection\ListTerms::sorts($column))<a href="{{ $collection->sortedBy($column->key) }}">{{ $column->title }}</a>@else{{ $column->title }}@endif</th>
@endforeach
                    </tr>
                </thead>
                <tbody>
@foreach ($collection->items as $item)
                    <tr>
                        <th scope="row"><a href="{{ $item->address }}">{{ $item->name }}</a></th>
@foreach ($collection->columns as $column)
                        <td @class(['number' => $column->isNumeric()])>@if ($item->fields->has($column->key))@include('site.value', ['of' => $item->fields, 'key' => $column->key])@endif</td>
@endforeach
                    </tr>
@endforeach
                </tbody>
            </table>
        </div>
@else
@if ($collection->terms->filters())
        <p class="found">Showing {{ $collection->found }} of {{ $collection->all }}</p>
@endif
        <ul class="cards items"{{ $inert }}>
@foreach ($collection->items as $item)
            <li>@if ($item->picture !== null)@include('site.picture', ['picture' => $item->picture, 'sizes' => '(max-width: 600px) 100vw, 320px'])@endif<a href="{{ $item->address }}">{{ $item->name }}</a>@if ($item->summary !== '')<p>{{ $item->summary }}</p>@endif
@if ($item->fields->filled() !== [])
                <dl>
@foreach (array_slice(array_filter($collection->columns, fn ($column) => $item->fields->has($column->key)), 0, 4) as $column)
                    <div><dt>{{ $column->title }}</dt><dd>{{ $item->fields->show($column->key) }}</dd></div>
@endforeach
                </dl>
@endif
            </li>
@endforeach
        </ul>
@endif
@if ($collection->pages > 1)
        <nav class="turn" aria-label="Pages of the list"{{ $inert }}>
@for ($n = 1; $n <= $collection->pages; $n++)
            <a href="{{ $collection->onPage($n) }}"@if ($n === $collection->terms->page) aria-current="page"@endif>{{ $n }}</a>
@endfor
        </nav>
@endif
@endif
