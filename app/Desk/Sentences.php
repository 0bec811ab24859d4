<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Menu\MenuDifference;
use Heronstem\Core\Redirect\RuleDifference;
use Heronstem\Core\Ripple\Ripple;
use Illuminate\Database\ConnectionInterface;

/** Says in one sentence what a batch did. Page names stand between asterisks. */
final readonly class Sentences
{
    /** Longest sentence kept of what was taken back. */
    private const QUOTED = 300;

    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @param  bool  $byClock  nobody did it: the schedule */
    public function of(Batch $batch, Ripple $ripple, bool $byClock = false): string
    {
        $first = $batch->changes[0]->toArray();
        $said = $byClock ? $this->scheduled($batch, $ripple) : $this->change($first, $ripple);
        $more = $byClock ? 0 : count($batch->changes) - 1;
        $follows = array_filter([
            count($ripple->moves) > 1 ? count($ripple->moves).' addresses' : null,
            $ripple->redirectsWritten === [] ? null : $this->count(count($ripple->redirectsWritten), 'redirect'),
        ]);

        return $said.($more > 0 ? ' and '.$this->count($more, 'more change') : '').($follows === [] ? '' : ': '.implode(', ', $follows));
    }

    /** @param  list<string>  $sentences newest first */
    public function takenBack(array $sentences): string
    {
        return count($sentences) === 1 ? 'Took back: '.mb_substr($sentences[0], 0, self::QUOTED) : sprintf('Took back %d changes, the last of them: %s', count($sentences), mb_substr($sentences[0], 0, self::QUOTED));
    }

    private function scheduled(Batch $batch, Ripple $ripple): string
    {
        $parts = [];
        foreach (['went live' => $ripple->goLive, 'went offline' => $ripple->goOffline] as $did => $pages) {
            if ($pages !== []) {
                $parts[] = (count($pages) === 1 ? $this->name($pages[0], $ripple) : count($pages).' pages')." $did";
            }
        }

        return 'As scheduled, '.($parts === [] ? $this->change($batch->changes[0]->toArray(), $ripple) : implode(', and ', $parts));
    }

    /** @param  array<string, mixed>  $change */
    private function change(array $change, Ripple $ripple): string
    {
        $pages = is_array($change['pages'] ?? null) ? array_values($change['pages']) : [(string) ($change['page'] ?? '')];
        $name = count($pages) === 1 ? $this->name((string) $pages[0], $ripple) : count($pages).' pages';
        $branch = ($change['reach'] ?? 'page') === 'branch' ? ' with what is below' : '';

        return match ($change['kind']) {
            'make' => "Made $name".$this->where($change, $ripple),
            'rename' => 'Renamed '.$this->formerName((string) $pages[0], $ripple)." to $name",
            'set-slug' => "Set the slug of $name to “{$change['slug']}”",
            'pin' => "Pinned $name to {$change['address']}",
            'unpin' => "Unpinned $name",
            'move' => "Moved $name".$this->where($change, $ripple),
            'duplicate' => "Duplicated $name$branch",
            'change-kind' => "Made $name a {$change['to']}",
            'leave-out' => "Left $name out of the addresses below",
            'take-in' => "Took $name into the addresses below",
            'go-live' => "Put $name$branch live",
            'take-offline' => "Took $name$branch offline",
            'publish' => "Published the edits of $name",
            'describe' => $this->described($change)." of $name",
            'schedule' => $change['from'] === null && $change['until'] === null ? "Cleared the schedule of $name" : "Scheduled $name",
            'send-for-review' => "Sent $name for review",
            'return' => "Returned $name to its writer",
            'list' => "Listed $name",
            'unlist' => "Unlisted $name",
            'keep' => "Marked $name as kept",
            'let-go' => "Marked $name as no longer kept",
            'put-in-bin' => "Put $name in the bin".$this->along($ripple, count($pages)),
            'bring-back' => "Brought $name back",
            'empty-bin' => "Emptied $name out of the bin",
            'set-start-page' => "Made $name the start page".(($change['for'] ?? '') === 'signed-in' ? ' of signed-in people' : ''),
            'make-menu' => 'Made '.($change['of'] === 'picks' ? 'the picks' : 'the menu')." *{$change['name']}*",
            'rename-menu' => 'Renamed '.$this->menuName($change['menu'])." to *{$change['name']}*",
            'place-menu' => $change['place'] === null ? 'Took '.$this->menuName($change['menu']).' out of its place' : 'Placed '.$this->menuName($change['menu'])." at {$change['place']}",
            'remove-menu' => 'Removed '.$this->menuName($change['menu']),
            'arrange-menu' => 'Arranged '.$this->menuName($change['menu']).$this->arranged($change['menu'], $ripple),
            'add-to-menu' => "Put $name into ".$this->menuName($change['menu']),
            'take-out-of-menu' => "Took $name out of ".$this->menuName($change['menu']),
            'add-address' => "Let $name also answer at {$change['address']}",
            'make-redirect' => 'Made the redirect of '.$this->source($change['source']),
            'change-redirect' => $this->redirectChanged($change, $ripple),
            'remove-redirect' => 'Removed the redirect of '.$this->redirectName($change['redirect'], $ripple),
            'order-patterns' => 'Put the patterns in order',
            'remove-address' => "Took {$change['address']} from $name",
            default => 'Changed the structure',
        };
    }

    /** @param  array<string, mixed>  $change */
    private function described(array $change): string
    {
        $called = ['heading' => 'heading', 'summary' => 'summary', 'searchTitle' => 'search title', 'searchDescription' => 'search description', 'layout' => 'layout', 'indexed' => 'place in search engines'];

        return 'Changed '.implode(', ', array_values(array_intersect_key($called, $change)));
    }

    /** The name it has until this is written. */
    private function menuName(string $id): string
    {
        return '*'.str_replace('*', '∗', (string) $this->db->table('menus')->where('ulid', $id)->value('name')).'*';
    }

    /** @param  array<string, mixed>  $change */
    private function redirectChanged(array $change, Ripple $ripple): string
    {
        $name = $this->redirectName($change['redirect'], $ripple);
        $fields = array_diff(array_keys($change), ['kind', 'redirect']);

        return array_values($fields) === ['isOn'] ? 'Switched the redirect of '.$name.($change['isOn'] === true ? ' on' : ' off') : "Changed the redirect of $name";
    }

    private function redirectName(string $id, Ripple $ripple): string
    {
        $difference = array_values(array_filter($ripple->rules, static fn (RuleDifference $each): bool => $each->rule === $id))[0] ?? null;

        return $this->source(($difference->before ?? $difference?->after)->source ?? 'an address');
    }

    private function source(mixed $source): string
    {
        return '*'.str_replace('*', '∗', NormalForm::readable(is_string($source) ? $source : '')).'*';
    }

    private function arranged(string $id, Ripple $ripple): string
    {
        $difference = array_values(array_filter($ripple->menus, static fn (MenuDifference $each): bool => $each->menu === $id))[0] ?? null;
        $came = $went = $changed = 0;
        foreach ($difference->entries ?? [] as [$was, $is]) {
            $came += $was === null ? 1 : 0;
            $went += $is === null ? 1 : 0;
            $changed += $was !== null && $is !== null ? 1 : 0;
        }
        $parts = array_filter([$came === 0 ? null : $this->count($came, 'new entry', 'new entries'), $went === 0 ? null : $this->count($went, 'entry', 'entries').' out', $changed === 0 ? null : $this->count($changed, 'entry', 'entries').' changed']);

        return $parts === [] ? '' : ', '.implode(', ', $parts);
    }

    private function along(Ripple $ripple, int $named): string
    {
        $along = count($ripple->binned) - $named;

        return $along > 0 ? ' with '.$this->count($along, 'page').' below' : '';
    }

    /** @param  array<string, mixed>  $change */
    private function where(array $change, Ripple $ripple): string
    {
        $id = is_array($change['page'] ?? null) ? '' : (string) ($change['page'] ?? $change['pages'][0] ?? '');
        $page = $ripple->outcome[$id] ?? null;
        if ($page === null) {
            return '';
        }
        $difference = array_values(array_filter($ripple->pages, static fn ($each): bool => $each->page === $id))[0] ?? null;
        $stays = $difference !== null && ! $difference->wasMade() && ! $difference->changedParent();

        return match (true) {
            $page->parent === null => $stays ? ' at the top' : ($change['kind'] === 'make' ? '' : ' to the top'),
            default => ($stays ? ' within ' : ' under ').$this->name($page->parent, $ripple),
        };
    }

    private function name(string $id, Ripple $ripple): string
    {
        return '*'.str_replace('*', '∗', ($ripple->outcome[$id] ?? null)->name ?? $this->formerly($id, $ripple) ?? (string) Page::query()->where('ulid', $id)->value('name')).'*';
    }

    private function formerName(string $id, Ripple $ripple): string
    {
        $name = $this->formerly($id, $ripple);

        return $name === null ? 'a page' : '*'.str_replace('*', '∗', $name).'*';
    }

    private function formerly(string $id, Ripple $ripple): ?string
    {
        foreach ($ripple->pages as $difference) {
            if ($difference->page === $id && isset($difference->before['name'])) {
                return (string) $difference->before['name'];
            }
        }

        return null;
    }

    private function count(int $n, string $word, ?string $many = null): string
    {
        return "$n ".($n === 1 ? $word : ($many ?? "{$word}s"));
    }
}
