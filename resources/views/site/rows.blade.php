@if ($fields->rows($key) === [])
            <p class="none">{{ $fields->none($key) }}</p>
@else
            <table>
                <caption>{{ $caption }}</caption>
                <thead>
                    <tr>
@foreach ($fields->columns($key) as $column)
                        <th scope="col"@if ($column->isNumeric()) class="number"@endif>{{ $column->title }}</th>
@endforeach
                    </tr>
                </thead>
                <tbody>
@foreach ($fields->rows($key) as $row)
                    <tr>
@foreach ($fields->columns($key) as $column)
@if ($loop->first)
                        <th scope="row">{{ $row->show($column->key) }}</th>
@else
                        <td @class(['number' => $column->isNumeric()])>{{ $row->show($column->key) }}</td>
@endif
@endforeach
                    </tr>
@endforeach
                </tbody>
            </table>
@endif
