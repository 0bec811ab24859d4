<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\HistoryEntry;
use App\Models\Site;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\Pause;
use Heronstem\Core\Redirect\QueryHandling;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleAnswer;
use Heronstem\Core\Redirect\RuleDifference;
use Heronstem\Core\Redirect\Rules;
use Heronstem\Core\Redirect\RuleScope;
use Illuminate\Database\ConnectionInterface;

/** The core's port of redirect rules over PostgreSQL, and how rules are written. */
final readonly class StoredRules implements Rules
{
    public const COLUMNS = 'r.ulid, r.scope, r.source, r.key, r.answer, r.target, r.query, r.matched, r.carries_rest, r.is_on, r.in_front, r.position, r.note, r.pause, r.origin,
        extract(epoch from r.from_at)::bigint as from_at, extract(epoch from r.until_at)::bigint as until_at';

    public function __construct(private ConnectionInterface $db, private Site $site)
    {
    }

    public function named(array $ids): array
    {
        $rules = $ids === [] ? [] : $this->where('r.ulid = any(?::text[])', [PgArray::of($ids)]);

        return array_column($rules, null, 'id');
    }

    public function claiming(array $keys): array
    {
        $rules = $keys === [] ? [] : $this->where('r.claims and r.key = any(?::text[])', [PgArray::of($keys)]);

        return array_column($rules, null, 'key');
    }

    public function withoutClaim(): array
    {
        return $this->where('not r.claims', []);
    }

    public function leadingTo(array $pages): iterable
    {
        return $pages === []
            ? []
            : $this->where('r.target = any(?::text[])', [PgArray::of(array_map(static fn (string $page): string => "page $page", $pages))]);
    }

    public function leadingToAddresses(array $addresses): iterable
    {
        return $addresses === []
            ? []
            : $this->where('r.target = any(?::text[])', [
                PgArray::of(array_map(static fn (string $address): string => "address $address", $addresses)),
            ]);
    }

    public function everyRule(): iterable
    {
        foreach (
            $this->db->cursor('select '.self::COLUMNS.' from redirect_rules r where r.site_id = ? order by r.id', [$this->site->id]) as $row
        ) {
            yield self::rule($row);
        }
    }

    /** @param  list<RuleDifference>  $differences */
    public function write(array $differences, HistoryEntry $entry): void
    {
        if ($differences === []) {
            return;
        }
        $this->db->delete('delete from redirect_rules where site_id = ? and ulid = any(?::text[])', [
            $this->site->id,
            PgArray::of(array_map(static fn (RuleDifference $each): string => $each->rule, $differences)),
        ]);
        $this->insert(array_values(array_filter(array_map(static fn (RuleDifference $each): ?Rule => $each->after, $differences))), $entry);
        (new RemovedRules($this->db, $this->site))->note($differences, $entry);
        foreach ($differences as $difference) {
            if ($difference->before?->claims() === false || $difference->after?->claims() === false) {
                $this->db->update("update sites set rules_version = greatest(nextval('rules_versions'), rules_version + 1) where id = ?", [
                    $this->site->id,
                ]);
                break;
            }
        }
    }

    /** @param  list<Rule>  $rules */
    public function insert(array $rules, ?HistoryEntry $entry): void
    {
        foreach (array_chunk($rules, 2000) as $piece) {
            $rows = array_map(
                static fn (Rule $rule): array => $rule->toArray() + ['claims' => $rule->claims(), 'identity' => $rule->identity()],
                $piece,
            );
            $this->db->insert(
                <<<'SQL'
                insert into redirect_rules (ulid, site_id, scope, source, key, claims, answer, target, query, matched, carries_rest, from_at, until_at, is_on, in_front, position, note, pause, origin, identity, by_entry_id)
                select n.id, ?, n.scope, n.source, n.key, n.claims, n.answer, n.target, n.query, n.matched, n."carriesRest", n."from", n.until, n."isOn", n."inFront", n.position, n.note, nullif(n.pause, 'null'), n.origin, n.identity, ?
                from jsonb_to_recordset(?::jsonb) as n(id text, scope text, source text, key text, claims boolean, answer text, target text, query text, matched text, "carriesRest" boolean, "from" timestamptz, until timestamptz,
                    "isOn" boolean, "inFront" boolean, position int, note text, pause jsonb, origin text, identity text)
                SQL
                ,
                [$this->site->id, $entry?->id, json_encode($rows, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)],
            );
        }
    }

    public static function rule(\stdClass $row): Rule
    {
        $at = static fn (?int $seconds): ?Moment => $seconds === null ? null : Moment::at($seconds);
        $pause = $row->pause === null ? null : json_decode($row->pause, true, flags: JSON_THROW_ON_ERROR);

        return new Rule(
            $row->ulid,
            RuleScope::from($row->scope),
            $row->source,
            $row->key,
            RuleAnswer::from($row->answer),
            $row->target === null ? null : Target::stored($row->target),
            QueryHandling::from($row->query),
            $row->matched,
            $row->carries_rest,
            $at($row->from_at),
            $at($row->until_at),
            $row->is_on,
            $row->in_front,
            $row->position,
            $row->note,
            $pause === null ? null : Pause::fromArray($pause),
            $row->origin,
        );
    }

    /**
     * @param  list<mixed>  $bound
     * @return list<Rule>
     */
    private function where(string $condition, array $bound): array
    {
        return array_map(
            self::rule(...),
            array_values(
                $this->db->select('select '.self::COLUMNS." from redirect_rules r where r.site_id = ? and $condition", [
                    $this->site->id,
                    ...$bound,
                ]),
            ),
        );
    }
}
