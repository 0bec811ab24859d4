<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Redirect\Resolution;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleReader;
use Heronstem\Core\Redirect\RuleScope;
use Illuminate\Database\ConnectionInterface;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Everything about one redirect. */
final readonly class RedirectDetails
{
    /** Most pages that link there, and most redirects that lead to the same. */
    private const MAX_ROWS = 20;

    public function __construct(private ConnectionInterface $db)
    {
    }

    /**
     * @param  \Closure(string): Resolution  $resolve
     * @return array<string, mixed>
     */
    public function of(Site $site, string $redirect, string $span, \Closure $resolve): array
    {
        $rule =
            (new StoredRules($this->db, $site))->named([$redirect])[$redirect] ??
            throw new NotFoundHttpException('There is no such redirect on this site. It may have been removed; reload the addresses.');
        $hits = new HitCounts($this->db, 'redirect_hits', 'rule');

        return [
            'redirect' => RuleReader::written($rule),
            'targetName' => $this->targetName($site, $rule),
            'since' => $this->db->scalar(
                "select to_char(made_at at time zone 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS\"Z\"') from redirect_rules where site_id = ? and ulid = ?",
                [$site->id, $rule->id],
            ),
            'sample' => $rule->sample(),
            'way' => $resolve($rule->sample())->toArray(),
            'days' => $hits->days($site, $rule->id, $span),
            'referrers' => $hits->referrers($site, $rule->id),
            'links' => $this->links($site, $rule),
            'sameTarget' => $this->sameTarget($site, $rule),
        ];
    }

    /** What a page or file that it leads to is called, live or not. */
    private function targetName(Site $site, Rule $rule): ?string
    {
        $table = match ($rule->target?->kind) {
            TargetKind::Page => 'pages',
            TargetKind::File => 'files',
            default => null,
        };

        return $table === null ? null : $this->db->table($table)->where('site_id', $site->id)->where('ulid', $rule->target?->value)->value('name');
    }

    /** @return list<array{id: string, name: string}> pages whose content links to the address as it is written */
    private function links(Site $site, Rule $rule): array
    {
        if ($rule->scope !== RuleScope::One) {
            return [];
        }

        return array_map(
            static fn (\stdClass $row): array => ['id' => $row->ulid, 'name' => $row->name],
            array_values(
                $this->db->select(
                    'select distinct p.ulid, p.name from raw_links l join pages p on p.id = l.from_page_id where p.site_id = ? and l.key = ? order by p.name limit '.
                        self::MAX_ROWS,
                    [$site->id, $rule->key],
                ),
            ),
        );
    }

    /** @return list<array{id: string, source: string, note: string}> other redirects that lead to the same, for comparing */
    private function sameTarget(Site $site, Rule $rule): array
    {
        return $rule->target === null
            ? []
            : array_map(
                static fn (\stdClass $row): array => ['id' => $row->ulid, 'source' => $row->source, 'note' => $row->note],
                array_values(
                    $this->db->select(
                        'select ulid, source, note from redirect_rules where site_id = ? and target = ? and ulid <> ? order by source limit '.
                            self::MAX_ROWS,
                        [$site->id, $rule->target->toText(), $rule->id],
                    ),
                ),
            );
    }
}
