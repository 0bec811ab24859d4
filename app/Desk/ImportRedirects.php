<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\HistoryEntry;
use App\Models\Site;
use App\Models\User;
use App\Store\StoredLedger;
use App\Store\StoredRules;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\ClaimKind;
use Heronstem\Core\Interchange\RedirectRows;
use Heronstem\Core\Interchange\Table;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleReader;
use Heronstem\Core\Refusal;
use Heronstem\Core\Structure\Batch;
use Heronstem\Core\Structure\Change\MakeRedirect;
use Heronstem\Core\Structure\ChangeRefused;
use Illuminate\Database\Connection;

/** Brings redirects in from a table: looked over row by row first, then made as one change. */
final readonly class ImportRedirects
{
    /** Rows that turn out to go round in a circle are found one after the other; more than this many are not looked for. */
    private const MOST_CIRCLES = 25;

    public function __construct(private Connection $db, private Planners $planners, private ApplyChanges $apply)
    {
    }

    /**
     * Looks a table over and writes nothing.
     *
     * @return array{list<Rule>, list<array{line: int, address: string, leadsTo: string, field: string, reason: string, suggestion: string|null}>} rules that can be made, and rows that cannot
     */
    public function look(Site $site, string $text, string $seed): array
    {
        $table = $this->table($text);
        $rules = $bad = $lines = $targets = [];
        $rows = $this->rows($site, $table, $seed);
        foreach ($table as $line => $fields) {
            try {
                $rule = $rows->read($fields, $line);
                $rules[$rule->id] = $rule;
                $lines[$rule->id] = $line;
                $targets[$rule->id] = $fields['target'] ?? '';
            } catch (Refusal $refusal) {
                $bad[] = self::row($line, $fields['source'] ?? '', $fields['target'] ?? '', $refusal->field, $refusal->reason, $refusal->suggestion);
            }
        }
        foreach ($this->taken($site, $rules) as $id => $reason) {
            $bad[] = self::row($lines[$id], $rules[$id]->source, $targets[$id], 'address', $reason, null);
            unset($rules[$id]);
        }
        for ($tries = 0; $rules !== [] && $tries < self::MOST_CIRCLES; $tries++) {
            $refused = $this->refused($site, array_values($rules));
            if ($refused === null) {
                break;
            }
            [$rule, $field, $reason] = $refused;
            $bad[] = self::row($lines[$rule->id], $rule->source, $targets[$rule->id], $field, $reason, null);
            unset($rules[$rule->id]);
        }
        usort($bad, static fn (array $a, array $b): int => $a['line'] <=> $b['line']);

        return [array_values($rules), $bad];
    }

    /** @param  list<Rule>  $rules  as look gave them */
    public function make(Site $site, User $by, array $rules, string $note): HistoryEntry
    {
        return $this->apply->apply($site, $by, Batch::of(...array_map(static fn (Rule $rule): MakeRedirect => new MakeRedirect($rule), $rules)), note: $note);
    }

    /**
     * @return array<int, array<string, string>> fields by the line they begin on
     *
     * @throws ChangeRefused for more rows than one change can make
     */
    private function table(string $text): array
    {
        $table = [];
        foreach (Table::rows($text) as $line => $fields) {
            $table[$line] = $fields;
            if (count($table) > Batch::LONGEST) {
                throw new ChangeRefused('text', sprintf('One import has at most %d rows. Bring the rest in with another.', Batch::LONGEST));
            }
        }

        return $table;
    }

    /** @param  array<int, array<string, string>>  $table */
    private function rows(Site $site, array $table, string $seed): RedirectRows
    {
        $own = $site->ownAddresses();
        $addresses = [];
        foreach ($table as $fields) {
            $address = $own->in($fields['target'] ?? '');
            if ($address !== null) {
                $addresses[$address->key] = $address;
            }
        }
        $claims = (new StoredLedger($this->db, $site))->claimsOn(array_values($addresses));

        return new RedirectRows(new RuleReader($site->rules(), $site->zone), $own, static fn (string $key): ?string => ($claims[$key] ?? null)?->kind === ClaimKind::Page ? $claims[$key]->page : null, $seed);
    }

    /**
     * @param  array<string, Rule>  $rules
     * @return array<string, string> why an address cannot be had, by rule
     */
    private function taken(Site $site, array $rules): array
    {
        $claiming = array_filter($rules, static fn (Rule $rule): bool => $rule->claims());
        $claims = (new StoredLedger($this->db, $site))->claimsOn(array_values(array_map(static fn (Rule $rule): Address => Address::stored($rule->source, $site->rules()), $claiming)));
        $known = array_flip(array_map(static fn (Rule $rule): string => $rule->identity(), (new StoredRules($this->db, $site))->standing()));
        $taken = [];
        foreach ($rules as $id => $rule) {
            $held = $rule->claims() ? $claims[$rule->key] ?? null : null;
            if ($held !== null || isset($known[$rule->identity()])) {
                $taken[$id] = match ($held?->kind) {
                    ClaimKind::Page, ClaimKind::Also => 'A page is at this address. Let the redirect stand in front of it, or leave the row away.',
                    ClaimKind::Redirect => 'A former address of a page sends on from here already.',
                    ClaimKind::Gone => 'This address is recorded as gone.',
                    ClaimKind::Bin => 'This address is kept for a page in the bin.',
                    default => 'There is a redirect of this already.',
                };
            }
        }

        return $taken;
    }

    /**
     * @param  list<Rule>  $rules
     * @return array{Rule, string, string}|null the first that the plan refuses
     */
    private function refused(Site $site, array $rules): ?array
    {
        try {
            $this->planners->for($site)->plan(Batch::of(...array_map(static fn (Rule $rule): MakeRedirect => new MakeRedirect($rule), $rules)));
        } catch (Refusal $refusal) {
            if (preg_match('/^changes\.(\d+)\.(.+)$/', $refusal->field, $found) === 1) {
                return [$rules[(int) $found[1]], $found[2], $refusal->reason];
            }
            throw $refusal;
        }

        return null;
    }

    /** @return array{line: int, address: string, leadsTo: string, field: string, reason: string, suggestion: string|null} */
    private static function row(int $line, string $address, string $leadsTo, string $field, string $reason, ?string $suggestion): array
    {
        return ['line' => $line, 'address' => $address, 'leadsTo' => $leadsTo, 'field' => $field, 'reason' => $reason, 'suggestion' => $suggestion];
    }
}
