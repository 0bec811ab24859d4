<?php

declare(strict_types=1);

namespace App\Desk\Outside;

use App\Jobs\TryOutsideLinks;
use App\Models\Site;
use App\Store\OutsideLinks;
use Heronstem\Core\Linking\OutsideState;

/** Links to other sites, and how they answered. */
final readonly class ReadOutsideLinks
{
    /** Links at a time. */
    public const PIECE = 100;

    public function __construct(private OutsideLinks $links)
    {
    }

    /** @return array<string, mixed> */
    public function of(Site $site, ?OutsideState $state, int $offset): array
    {
        $counts = $this->links->counts($site);

        return [
            'isOn' => $site->searchSettings()->outside->checksLinks,
            'counts' => array_map(static fn (OutsideState $each): array => ['state' => $each->value, 'links' => $counts[$each->value] ?? 0], OutsideState::cases()),
            'rows' => array_map(
                static fn (\stdClass $row): array => [
                    'url' => $row->url,
                    'state' => $row->state,
                    'says' => $row->says,
                    'leadsTo' => $row->leads_to,
                    'checked' => $row->checked,
                    'next' => $row->next,
                    'pages' => $row->pages,
                    'first' => json_decode($row->first, true),
                ],
                $this->links->of($site, $state?->value, $offset, self::PIECE),
            ),
        ];
    }

    /** Has one link, or all, tried as soon as it is their turn; says how many. */
    public function tryAgain(Site $site, ?string $url): int
    {
        $links = $this->links->tryAgain($site, $url);
        TryOutsideLinks::dispatch();

        return $links;
    }
}
