<?php

declare(strict_types=1);

namespace App\Desk\Demo;

use App\Desk\ApplyChanges;
use App\Desk\Rights;
use App\Desk\UndoEntry;
use App\Models\HistoryEntry;
use App\Models\Page;
use App\Models\Site;
use App\Models\User;
use App\Store\PgArray;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\Decision\WhenUnanswered;
use Heronstem\Core\Workspace\Authority;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;

/** Gives a demo site some weeks of history: the changes of its story.json, made in order and dated back. */
final class TellStory
{
    /** @var array<string, string> pages by the name that the story gives them */
    private array $pages = [];

    /** @var array<string, HistoryEntry> */
    private array $entries = [];

    public function __construct(
        private readonly ConnectionInterface $db,
        private readonly ApplyChanges $apply,
        private readonly UndoEntry $undo,
        private readonly DemoFiles $files,
    ) {
    }

    public function tell(Site $site, string $folder): void
    {
        foreach (json_decode((string) file_get_contents("$folder/story.json"), true, flags: JSON_THROW_ON_ERROR) as $step) {
            $by = User::query()
                ->where('email', 'like', "{$step['by']}@%")
                ->firstOrFail();
            $entry = $this->apply->apply(
                $site,
                $by,
                $this->batch($step, $site, $folder, $by),
                note: $step['note'],
                rights: Rights::of(Authority::Owner),
            );
            $this->entries[$step['as'] ?? ''] = $entry;
            $this->dateBack($site, $entry, Carbon::now($site->zone)->subDays($step['days'])->setTimeFromTimeString($step['at'])->utc());
        }
    }

    /** @param  array<string, mixed>  $step */
    private function batch(array $step, Site $site, string $folder, User $by): Batch
    {
        if (isset($step['undoes'])) {
            return $this->undo->batch($site, $this->entries[$step['undoes']]);
        }
        $changes = array_map(fn (array $change): array => $this->change($change, $site, $folder, $by), $step['changes']);
        $decisions = array_map(
            fn (array $decision): array => [
                ...$decision,
                'page' => $this->page($decision['page'], $site),
                ...isset($decision['to']) ? ['to' => $this->page($decision['to'], $site)] : [],
            ],
            $step['decisions'] ?? [],
        );

        return (new ChangeReader($site->rules(), $site->zone))->batch($changes, $decisions, WhenUnanswered::TakesDefault);
    }

    /**
     * @param  array<string, mixed>  $change
     * @return array<string, mixed>
     */
    private function change(array $change, Site $site, string $folder, User $by): array
    {
        if (isset($change['as'])) {
            $this->pages[$change['as']] = (string) Str::ulid();
        }
        $change['page'] = $this->page($change['as'] ?? $change['page'], $site);
        if (isset($change['menu'])) {
            $change['menu'] = (string) $this->db->table('menus')->where('site_id', $site->id)->where('name', $change['menu'])->value('ulid');
        }
        foreach (['from', 'until'] as $moment) {
            if (isset($change[$moment])) {
                $change[$moment] = $this->moment($change[$moment], $site);
            }
        }
        if (isset($change['place'])) {
            $change['place'] = [key($change['place']) => $this->page((string) current($change['place']), $site)];
        }
        if (isset($change['leadsTo']['file'])) {
            $file = $change['leadsTo']['file'];
            $change['leadsTo']['file'] = $this->files->of($file, $site, $by, $folder);
        }

        return $change;
    }

    /** @param  string  $named a name that the story gave, or an address */
    private function page(string $named, Site $site): string
    {
        return $this->pages[$named] ?? Page::query()->where('site_id', $site->id)->where('address', $named)->firstOrFail()->ulid;
    }

    /** So many days from now, or the next time a day and hour of the year comes. */
    private function moment(string $written, Site $site): string
    {
        $now = Carbon::now($site->zone);
        if (str_starts_with($written, '+')) {
            return $now->modify($written)->startOfDay()->format('Y-m-d\TH:i');
        }
        $moment = Carbon::parse("{$now->year}-$written", $site->zone);

        return ($moment->isFuture() && $now->month < 5 ? $moment : $moment->addYear())->format('Y-m-d\TH:i');
    }

    private function dateBack(Site $site, HistoryEntry $entry, Carbon $then): void
    {
        $at = $then->toIso8601ZuluString();
        $this->db->update('update history set created_at = ? where id = ?', [$at, $entry->id]);
        $this->db->update('update ledger set since = ? where by_entry_id = ?', [$at, $entry->id]);
        $this->db->update(
            'update pages set updated_at = ?, binned_at = case when binned_at is null then null else ?::timestamptz end, live_since =
                case when live_since > ?::timestamptz and ulid = any(?::text[]) then ?::timestamptz else live_since end
                where site_id = ? and ulid = any(select unnest(touched) from history where id = ?)',
            [$at, $at, $at, PgArray::of(array_values($this->pages)), $at, $site->id, $entry->id],
        );
    }
}
