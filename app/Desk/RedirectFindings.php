<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Models\Site;
use App\Store\PreloadedLookup;
use App\Store\StoredRules;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\Analysis;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleFinding;
use Heronstem\Core\Redirect\RuleScope;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Database\Connection;

/** What is noticed of the redirects of a site, each with what would mend it. */
final readonly class RedirectFindings
{
    /** Seconds that a look is good for, since pages go live and rules end with time. */
    private const GOOD_FOR = 60;

    public function __construct(private Connection $db, private Repository $cache)
    {
    }

    /** @return list<array<string, mixed>> looked for anew after each change */
    public function of(Site $site): array
    {
        $change = $this->db->scalar('select max(id) from history where site_id = ?', [$site->id]);

        return $this->cache->remember("redirect-findings {$site->ulid} $change", self::GOOD_FOR, fn (): array => $this->lookedFor($site));
    }

    /**
     * @param  string  $kinds  with commas between, or any
     * @return list<string> redirects with a finding of these kinds
     */
    public function redirects(Site $site, string $kinds): array
    {
        $of = array_filter(
            $this->of($site),
            static fn (array $finding): bool => $kinds === 'any' || in_array($finding['kind'], explode(',', $kinds), true),
        );

        return array_values(array_unique(array_column($of, 'redirect')));
    }

    /** @return list<array<string, mixed>> */
    private function lookedFor(Site $site): array
    {
        $rules = iterator_to_array((new StoredRules($this->db, $site))->everyRule(), false);
        $found =
            $rules === []
                ? []
                : Analysis::of(
                    $rules,
                    $site->rules(),
                    new PreloadedLookup($this->db, $site, $rules),
                    Moment::at(now()->getTimestamp()),
                    $this->idle($site),
                    (int) config('heronstem.idle_redirect_days'),
                    $this->live($site, $rules),
                );
        $sources = array_column($rules, 'source', 'id');
        $pages = Page::query()
            ->where('site_id', $site->id)
            ->whereIn('ulid', array_values(array_unique(array_filter(array_map(static fn (RuleFinding $finding): ?string => $finding->page, $found)))))
            ->pluck('name', 'ulid')
            ->all();

        return array_map(
            static fn (RuleFinding $finding): array => [
                'kind' => $finding->kind->value,
                'redirect' => $finding->rule->id,
                'source' => $finding->rule->source,
                'other' => $finding->other === null ? null : ['id' => $finding->other, 'source' => $sources[$finding->other] ?? ''],
                'page' => $finding->page === null ? null : ['id' => $finding->page, 'name' => $pages[$finding->page] ?? ''],
                'isSure' => $finding->isSure,
                'days' => $finding->days,
                'steps' => $finding->steps,
                'mend' => $finding->mend(),
            ],
            $found,
        );
    }

    /**
     * @param  list<Rule>  $rules
     * @return array<string, string> live pages by address, where something may hide more than one of them
     */
    private function live(Site $site, array $rules): array
    {
        $hiding = array_filter($rules, static fn (Rule $rule): bool => $rule->inFront && $rule->scope !== RuleScope::One);

        return $hiding === []
            ? []
            : array_column(
                $this->db->select('select address, ulid from pages where site_id = ? and is_visible(state, from_at, until_at) order by address', [
                    $site->id,
                ]),
                'ulid',
                'address',
            );
    }

    /** @return array<string, int> days since each rule was used, or was made */
    private function idle(Site $site): array
    {
        $rows = $this->db->select(
            'select r.ulid, current_date - greatest(r.made_at::date, coalesce((select max(h.day) from redirect_hits h
                where h.site_id = r.site_id and h.rule = r.ulid and not h.bots), r.made_at::date)) as days from redirect_rules r where r.site_id = ?',
            [$site->id],
        );

        return array_map(intval(...), array_column($rows, 'days', 'ulid'));
    }
}
