<?php

declare(strict_types=1);

namespace App\Models;

use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\AddressRulesDifference;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Redirect\RuleDifference;
use Heronstem\Core\Tree\PageDifference;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Facades\DB;

/**
 * @phpstan-import-type Account from \App\Desk\RippleAccount
 *
 * @phpstan-type KeptPage array{page: string, before: array<string, scalar|null>|null, after: array<string, scalar|null>|null}
 * @phpstan-type KeptClaim array{key: string, before: array{0: string, 1: string, 2: string, 3: bool, 4?: string}|null, after: array{0: string, 1: string, 2: string, 3: bool, 4?: string}|null}
 *
 * @property int $id
 * @property string $ulid
 * @property int $site_id
 * @property int|null $user_id
 * @property string $sentence
 * @property array<mixed> $batch
 * @property array<string, int> $counts
 * @property list<KeptPage> $pages the first of them
 * @property list<KeptClaim> $claims the first of them
 * @property list<array<string, mixed>> $menus
 * @property list<array{rule: string, before: array<string, mixed>|null, after: array<string, mixed>|null}> $rules
 * @property array{before: string|null, after: string|null}|null $start_page
 * @property array{before: string|null, after: string|null}|null $start_page_signed_in
 * @property array{before: string, after: string}|null $site_search
 * @property array{roles: array<string, array{string|null, string|null}>, people: array<string, array{list<string>, list<string>}>, names: array<string, string>, lines: array<string, array{string|null, string|null}>}|null $access
 * @property array{before: array<string, mixed>, after: array<string, mixed>}|null $address_rules
 * @property Account|null $ripple
 * @property string $touched
 * @property string $kinds
 * @property \Illuminate\Support\Carbon|null $thinned_at
 * @property string $note
 * @property int|null $undoes_id
 * @property int|null $undone_by_id
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read User|null $user
 */
final class HistoryEntry extends Model
{
    private const OF_FILES = ['replace-file', 'rename-file', 'bin-file', 'bring-back-file'];

    /** Kinds of what is taken back by versions of its own. */
    public const OF_VERSIONS = ['save-content', 'save-piece', ...self::OF_FILES];

    use KnownByUlid;

    public const UPDATED_AT = null;

    protected $table = 'history';

    protected $guarded = ['id'];

    protected $casts = [
        'batch' => 'array',
        'counts' => 'array',
        'pages' => 'array',
        'claims' => 'array',
        'menus' => 'array',
        'rules' => 'array',
        'start_page' => 'array',
        'start_page_signed_in' => 'array',
        'site_search' => 'array',
        'access' => 'array',
        'address_rules' => 'array',
        'ripple' => 'array',
        'thinned_at' => 'datetime',
    ];

    /**
     * What it did to pages, read in parts where it is much.
     *
     * @return \Generator<int, PageDifference>
     */
    public function pageDifferences(): \Generator
    {
        foreach ($this->inParts('pages') as $kept) {
            yield PageDifference::fromArray($kept);
        }
    }

    /**
     * What it did in the ledger, as addresses are written by now, or were then where it changed just that; read in parts where it is much.
     *
     * @return \Generator<int, ClaimDifference>
     */
    public function claimDifferences(AddressRules $rules): \Generator
    {
        $changed = AddressRulesDifference::fromArray($this->address_rules);
        foreach ($this->inParts('claims') as $kept) {
            foreach ($changed === null ? ClaimDifference::fromArray($kept, $rules) : [ClaimDifference::asKept($kept, $changed)] as $difference) {
                yield $difference;
            }
        }
    }

    /**
     * @param  'pages'|'claims'  $what
     * @return ($what is 'pages' ? \Generator<int, KeptPage> : \Generator<int, KeptClaim>)
     */
    private function inParts(string $what): \Generator
    {
        yield from array_values($this->$what);
        $numbers = DB::table('history_parts')->where('entry_id', $this->id)->orderBy('n')->pluck('n');
        foreach ($numbers as $n) {
            $part = DB::table('history_parts')->where('entry_id', $this->id)->where('n', $n)->value($what);
            foreach (json_decode($part, true, flags: JSON_THROW_ON_ERROR) as $kept) {
                yield $kept;
            }
        }
    }

    /** @return list<RuleDifference> what it did to redirects, likewise */
    public function ruleDifferences(AddressRules $rules): array
    {
        return array_map(
            fn (array $kept): RuleDifference => $this->address_rules === null
                ? RuleDifference::fromArray($kept)->respelled($rules)
                : RuleDifference::fromArray($kept),
            array_values($this->rules),
        );
    }

    /** @return list<string> entries that this one undoes */
    public function undoes(): array
    {
        return array_values(
            array_map(
                static fn (array $change): string => (string) $change['entry'],
                array_filter($this->batch, static fn (mixed $change): bool => is_array($change) && ($change['kind'] ?? null) === 'undo'),
            ),
        );
    }

    /** @return array{page: string, number: int}|null the version of content that it tells of */
    public function version(): ?array
    {
        $saved = $this->batch[0] ?? [];

        return ($saved['kind'] ?? null) !== 'save-content' ? null : ['page' => (string) $saved['page'], 'number' => (int) $saved['version']];
    }

    /** The file that it tells of. */
    public function file(): ?string
    {
        $done = $this->batch[0] ?? [];

        return in_array($done['kind'] ?? null, self::OF_FILES, true) ? (string) $done['file'] : null;
    }

    /** The shared piece that it tells of. */
    public function piece(): ?string
    {
        $done = $this->batch[0] ?? [];

        return ($done['kind'] ?? null) === 'save-piece' ? (string) $done['piece'] : null;
    }

    /** Whether it tells of content, of a file or a shared piece, of which every version is kept anyway. */
    public function isOfVersion(): bool
    {
        return in_array($this->batch[0]['kind'] ?? null, self::OF_VERSIONS, true);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
