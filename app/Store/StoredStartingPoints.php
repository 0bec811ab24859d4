<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\StartingPoints;
use Illuminate\Support\Facades\DB;

/** The starting points of a site, each read when a page is made from it. */
final readonly class StoredStartingPoints implements StartingPoints
{
    public function __construct(private Site $site)
    {
    }

    public function pages(string $id): array
    {
        $rules = $this->site->rules();
        $rows = DB::select(
            'select k.ulid, k.fields::text as fields from kept_pages k join starting_points s on s.id = k.point_id
             where s.site_id = ? and s.ulid = ? order by k.id',
            [$this->site->id, $id],
        );

        return array_values(
            array_map(
                static fn (\stdClass $row): Page => Page::fromFields(
                    json_decode($row->fields, true, flags: JSON_THROW_ON_ERROR),
                    $row->ulid,
                    Address::stored('/', $rules),
                    $rules,
                ),
                $rows,
            ),
        );
    }
}
