<?php

declare(strict_types=1);

namespace App\Desk\Matching;

use App\Desk\ChangedMeanwhile;
use App\Desk\MatchAddresses;
use App\Desk\OwnName;
use App\Models\MatchList;
use App\Models\Page;
use App\Models\Site;
use App\Models\User;
use App\Store\MatchRows;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Redirect\Matching\Glossary;
use Heronstem\Core\Redirect\Matching\Matcher;
use Heronstem\Core\Redirect\Matching\OldPage;
use Illuminate\Database\Connection;
use Illuminate\Support\Carbon;

/** Lists of old addresses that are worked on over days by several people: kept, matched again whenever somebody chose, and chosen from. */
final readonly class MatchLists
{
    public const MAX_NAME = 100;

    public const MAX_GLOSSARY = 20_000;

    /** Lists of one site. */
    private const MOST = 100;

    public function __construct(private Connection $db, private MatchRows $rows, private MatchAddresses $addresses)
    {
    }

    /**
     * @param  array<string, OldPage>  $old
     *
     * @throws InputRefused naming the field
     */
    public function make(Site $site, User $user, string $name, array $old): MatchList
    {
        $list = new MatchList(['site_id' => $site->id, 'user_id' => $user->id]);
        $list->setRelation('site', $site);
        if (MatchList::query()->where('site_id', $site->id)->count() >= self::MOST) {
            throw new InputRefused('name', sprintf('A site keeps at most %d lists. Remove one that is done.', self::MOST));
        }
        $this->db->transaction(function () use ($list, $name, $old): void {
            $this->describe($list, ['name' => $name]);
            $list->refresh();
            $this->rows->add($list, $old);
        });
        $this->match($list);

        return $list->refresh();
    }

    /**
     * @param  array{name?: string, threshold?: int, glossary?: string}  $said
     *
     * @throws InputRefused naming the field
     */
    public function describe(MatchList $list, array $said): void
    {
        if (isset($said['name'])) {
            $list->name = OwnName::of($list, $said['name'], 'list', self::MAX_NAME);
        }
        if (isset($said['glossary'])) {
            $text = mb_scrub(str_replace("\0", '', $said['glossary']), 'UTF-8');
            Glossary::read($text);
            // What is proposed is of the words before it.
            $list->revision += $list->exists && $text !== $list->glossary ? 1 : 0;
            $list->glossary = $text;
        }
        $list->threshold = $said['threshold'] ?? ($list->threshold ?? 90);
        $list->save();
    }

    /**
     * What becomes of some rows, all of them or none.
     *
     * @param  list<array{old: string, choice: string|null, page?: string|null, revision: int}>  $choices  with the revision of the row that it was chosen on
     *
     * @throws InputRefused naming the field
     * @throws ChangedMeanwhile where somebody else chose for one of them since
     */
    public function choose(MatchList $list, User $user, array $choices): void
    {
        $this->guardPages($list->site, $choices);
        $this->db->transaction(function () use ($list, $user, $choices): void {
            MatchList::query()->whereKey($list->id)->lockForUpdate()->firstOrFail();
            $held = $this->rows->hold($list, ...array_column($choices, 'old'));
            $list->refresh()->increment('revision');
            foreach ($choices as $n => $choice) {
                $row = $held[$choice['old']] ?? throw new InputRefused("rows.$n.old", 'This address is not on the list.');
                $page = $choice['choice'] === 'page' ? $choice['page'] ?? null : null;
                $isOther = [$row->choice, $row->chosen] !== [$choice['choice'], $page];
                if ($row->choice !== null && $isOther && $row->by !== $user->id && $row->revision > $choice['revision']) {
                    throw new ChangedMeanwhile(
                        sprintf(
                            '%s chose %s for %s meanwhile. Look again, and choose once more if that is wrong.',
                            $row->chosen_by ?? 'Somebody',
                            self::said($row),
                            $row->old,
                        ),
                    );
                }
                $this->rows->choose($list, $row->n, $choice['choice'], $page, $user->id, $list->revision);
            }
        });
    }

    /** Matches it as the site stands, taught by what was chosen up to now. */
    public function match(MatchList $list): void
    {
        $list->refresh();
        $revision = $list->revision;
        [$old, $settled] = $this->rows->toMatch($list);
        $proposals = (new Matcher($this->addresses->pages($list->site)))->matchAll($old, $settled, Glossary::read($list->glossary));
        $this->db->transaction(function () use ($list, $revision, $proposals): void {
            $now = MatchList::query()->whereKey($list->id)->lockForUpdate()->firstOrFail();
            // Somebody chose later, and what that taught is written already.
            if ($now->matched_revision > $revision) {
                return;
            }
            $isFirst = $now->matched_at === null;
            $now->fill(['revision' => $now->revision + 1, 'matched_revision' => $revision, 'matched_at' => Carbon::now()])->save();
            $this->rows->propose($now, $proposals, $now->revision, $isFirst);
        });
        $list->refresh();
    }

    /** When something of the site changed last; null where nothing has. */
    public function lastChange(Site $site): ?Carbon
    {
        $at = $this->db->scalar('select created_at from history where site_id = ? order by id desc limit 1', [$site->id]);

        return $at === null ? null : Carbon::parse($at);
    }

    /** Whether the site has changed since it was matched, or something was chosen. */
    public function isBehind(MatchList $list, ?Carbon $lastChange): bool
    {
        return $list->matched_at === null || $list->matched_revision < $list->revision - 1 || $lastChange?->isAfter($list->matched_at) === true;
    }

    /** @param  list<array{old: string, choice: string|null, page?: string|null, revision: int}>  $choices */
    private function guardPages(Site $site, array $choices): void
    {
        $asked = array_values(array_filter(array_column($choices, 'page'), is_string(...)));
        $known = array_fill_keys(
            Page::query()->where('site_id', $site->id)->where('state', '<>', 'bin')->whereIn('ulid', array_unique($asked))->pluck('ulid')->all(),
            true,
        );
        foreach ($choices as $n => $choice) {
            if ($choice['choice'] === 'page' && ! isset($known[$choice['page'] ?? ''])) {
                throw new InputRefused("rows.$n.page", 'There is no such page. It may be in the bin.');
            }
        }
    }

    private static function said(\stdClass $row): string
    {
        return match ($row->choice) {
            'page' => "“{$row->name}”",
            'gone' => '“gone”',
            default => 'not to accept what is proposed',
        };
    }
}
