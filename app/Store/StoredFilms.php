<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\Film;
use Heronstem\Core\Content\Films;
use Illuminate\Support\Facades\DB;

/** The videos of other sites in one document, read in one query. */
final readonly class StoredFilms implements Films
{
    /** @var array<string, Film> by address */
    private array $films;

    /** @param  string|null  $standIn  what stands in for hosts of the reserved domain `.example` (RFC 2606) */
    public function __construct(Document $content, Site $site, ?string $standIn = null)
    {
        $named = array_values(
            array_filter(array_map(static fn (array $block): ?string => $block['attrs']['address'] ?? null, $content->ofType('video'))),
        );
        $named === [] || MadeOf::films();
        $films = [];
        foreach ($named === [] ? [] : DB::table('films')->where('site_id', $site->id)->whereIn('address', $named)->get() as $row) {
            $frame = $standIn === null ? $row->frame : (string) preg_replace('#^https://(?=[a-z0-9.-]+\.example/)#i', "$standIn/", $row->frame);
            $films[(string) $row->address] = new Film($frame, (int) $row->width, (int) $row->height);
        }
        $this->films = $films;
    }

    public function at(string $address): ?Film
    {
        return $this->films[$address] ?? null;
    }
}
