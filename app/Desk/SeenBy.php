<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Models\Site;
use App\Store\KeptPlans;
use App\Store\StoredGates;
use Closure;
use Heronstem\Core\Menu\Viewer;
use Heronstem\Core\Visitors\Gates;
use Heronstem\Core\Visitors\Guest;
use Heronstem\Core\Visitors\PageAccess;
use Illuminate\Database\Connection;

/** Whom the site is shown to: which pages lists, menus and search may tell of. Nobody said to look sees only what has never been closed. */
final class SeenBy
{
    /** @var list<int|string>|null gates that are open to whoever looks; null while nobody is said to, or nothing is closed */
    private ?array $open = null;

    public function __construct(private readonly Connection $db, private readonly StoredGates $gates, private readonly LookedAt $looked)
    {
    }

    public function gates(Site $site): Gates
    {
        return $this->gates->of($site);
    }

    /** Somebody as menus know them, who comes from nowhere and knows no password. */
    public static function guest(Viewer $viewer): Guest
    {
        return new Guest($viewer->isSignedIn, $viewer->roles);
    }

    /**
     * Works something out as somebody sees it.
     *
     * @template T
     *
     * @param  Closure(): T  $look
     * @param  Gates|null  $gates  where they have been read already
     * @return T
     */
    public function during(Guest $guest, Site $site, Closure $look, ?Gates $gates = null): mixed
    {
        $gates ??= $this->gates($site);
        if ($gates->isEmpty()) {
            return $look();
        }
        $before = $this->open;
        $this->open = $gates->openTo($guest, $this->looked->moment());
        try {
            return $this->db->transaction(function () use ($gates, $guest, $look, $before): mixed {
                $this->tell($this->open ?? [], $gates->hiddenFrom($guest, $this->looked->moment()));
                $seen = $look();
                $this->tell($before ?? [], []);

                return $seen;
            });
        } finally {
            $this->open = $before;
        }
    }

    /** What decides about a page now; null for everyone. */
    public function access(Page $page, Gates $gates): ?PageAccess
    {
        return $gates->at($page->gate_id, $this->looked->moment());
    }

    public function sees(Page $page): bool
    {
        return $page->gate_id === null || in_array($page->gate_id, $this->open ?? [], true);
    }

    /** The same for all to whom the same is open. */
    public function key(): string
    {
        return $this->open === null ? '' : substr(hash('sha256', implode(',', $this->open)), 0, 16);
    }

    /**
     * For the rest of the transaction, at the longest.
     *
     * @param  list<int|string>  $open
     * @param  list<int|string>  $hidden  those that nobody is to know of
     */
    private function tell(array $open, array $hidden): void
    {
        $this->db->select(KeptPlans::MARK."select set_config('heronstem.open_gates', ?, true), set_config('heronstem.hidden_gates', ?, true)", [
            implode(',', $open),
            implode(',', $hidden),
        ]);
    }
}
