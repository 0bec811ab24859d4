<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\LinkRows;
use Heronstem\Core\Redirect\Resolution;

/** How the pages of a site are linked, and which links of their content do not lead straight to a page. */
final readonly class ReadLinks
{
    /** Pages of each list. */
    private const SHOWN = 20;

    /** Links written as addresses that are followed. */
    private const MAX_RAW = 500;

    private const MAX_WANTED = 200;

    public function __construct(private LinkRows $rows, private Resolvers $resolvers)
    {
    }

    /** @return array<string, mixed> */
    public function of(Site $site): array
    {
        $resolver = $this->resolvers->for($site);
        $followed = [];
        foreach ($this->rows->raw($site, self::MAX_RAW) as $link) {
            $resolution = $resolver->resolve($link['address']);
            $followed[] = [
                ...$link,
                'fate' => self::fate($resolution),
                'mends' => $resolution->lastingPage() !== null,
                'leadsTo' => $resolution->location ?? $resolution->pageName,
            ];
        }

        return [
            'depths' => $this->rows->depths($site),
            'orphans' => $this->rows->orphans($site, self::SHOWN),
            'heaviest' => $this->rows->heaviest($site, self::SHOWN),
            'loneliest' => $this->rows->loneliest($site, self::SHOWN),
            'raw' => $followed,
            'wanted' => $this->rows->wanted($site, self::MAX_WANTED),
        ];
    }

    private static function fate(Resolution $resolution): string
    {
        return match (true) {
            $resolution->pause !== null, $resolution->sendsWith() !== null => 'redirect',
            $resolution->status === 200 => $resolution->page === null ? 'other' : 'page',
            default => 'nothing',
        };
    }
}
