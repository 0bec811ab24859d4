<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\Files\FileDisk;
use App\Jobs\MakeRedirects;
use App\Models\HistoryEntry;
use App\Models\RedirectImport;
use App\Models\Site;
use App\Models\User;
use App\Store\LedgerLookup;
use App\Store\PgArray;
use App\Store\StoredLedger;
use App\Store\StoredRules;
use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\MakeRedirect;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\ImportCircles;
use Heronstem\Core\Interchange\RedirectFile;
use Heronstem\Core\Interchange\RedirectRows;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleReader;
use Heronstem\Core\Refusal;
use Illuminate\Database\Connection;
use Illuminate\Support\Str;

/**
 * Brings redirects in from a file: looked over row by row first, then made. Both go through the file piece by piece, so that a file of
 * a hundred thousand rows takes no more memory than its addresses do. A piece is one change of the history.
 */
final readonly class ImportRedirects
{
    /** Rows that are made while somebody waits; more are made in the background. */
    public const AT_ONCE = 5000;

    /** Rows that are looked up, and in the background made, together. */
    private const PIECE = 2000;

    public function __construct(private Connection $db, private ApplyChanges $apply, private FileDisk $disk)
    {
    }

    /** Looks a file over and writes nothing. */
    public function look(Site $site, string $text, string $seed): ImportPreview
    {
        $look = new ImportPreview();
        $withoutClaim = (new StoredRules($this->db, $site))->withoutClaim();
        $known = array_flip(array_map(static fn (Rule $rule): string => $rule->identity(), $withoutClaim));
        $circles = new ImportCircles($site->rules(), new LedgerLookup($this->db->getPdo(), $site->id), $withoutClaim);
        $places = $leading = [];
        foreach ($this->pieces($site, $text, $seed) as [$piece, $claims]) {
            $rules = [];
            foreach ($piece as $row => [$line, $fields, $read]) {
                if ($read instanceof Refusal) {
                    $look->refuses($row, $line, $fields['source'] ?? '', $fields['target'] ?? '', $read->field, $read->reason, $read->suggestion);
                } else {
                    $rules[$row] = $read;
                }
            }
            $held = $this->claimsOn(
                $site,
                array_map(
                    static fn (Rule $rule): Address => Address::stored($rule->source, $site->rules()),
                    array_filter($rules, static fn (Rule $rule): bool => $rule->claims()),
                ),
            );
            $there = $this->there($site, $rules, $claims);
            foreach ($rules as $row => $rule) {
                $reason = self::taken($rule->claims() ? $held[$rule->key] ?? null : null, isset($known[$rule->identity()]));
                $isNowhere = $rule->target?->kind === TargetKind::Page && ! isset($there[$rule->target->value]);
                if ($reason !== null || $isNowhere) {
                    $look->refuses(
                        $row,
                        $piece[$row][0],
                        $rule->source,
                        $piece[$row][1]['target'] ?? '',
                        $reason === null ? 'leadsTo' : 'address',
                        $reason ?? 'There is no such page on this site, or it is in the bin. Choose another.',
                    );

                    continue;
                }
                $look->takes($row, $piece[$row][0], $rule);
                $circles->add($rule);
                if (! $rule->claims() || $rule->target?->kind === TargetKind::Address) {
                    $places[$rule->id] = [$row, $piece[$row][0]];
                }
            }
            $leading += $claims;
        }
        if ($look->good === 0 && $look->bad === []) {
            throw new InputRefused('text', 'No row was found to bring in: the text is empty, or holds names of columns alone.');
        }
        foreach ($circles->found($leading) as $rule) {
            [$row, $line] = $places[$rule->id];
            $look->good--;
            $look->refuses(
                $row,
                $line,
                $rule->source,
                $rule->target->value ?? '',
                'leadsTo',
                'Visitors would go round in a circle. Choose another target, or leave the row away.',
            );
        }

        return $look;
    }

    /**
     * Makes the rows that can be: as one change, which all or none of them are, up to AT_ONCE; as several beyond.
     *
     * @param  ImportPreview  $look  at the same file with the same seed
     * @return list<HistoryEntry> one a change
     */
    public function make(Site $site, User $by, string $text, string $seed, ImportPreview $look, string $note, Rights $rights): array
    {
        $entries = [];
        foreach ($this->batches($site, $text, $seed, $look, self::AT_ONCE) as $changes) {
            $entries[] = $this->apply->apply($site, $by, Batch::of(...$changes), note: $note, rights: $rights);
        }

        return $entries;
    }

    /** Keeps a file whose rows are more than one change takes, and has it brought in in the background. */
    public function queue(Site $site, User $by, string $text, ImportPreview $look, string $note): RedirectImport
    {
        $import = new RedirectImport([
            'site_id' => $site->id,
            'user_id' => $by->id,
            'total' => $look->good,
            'note' => $note,
            'state' => 'waiting',
            'done' => 0,
        ]);
        $import->ulid = (string) Str::ulid();
        $import->path = "imports/{$site->key}/{$import->ulid}";
        $this->disk->put($import->path, $text);
        $import->save();
        MakeRedirects::dispatch($import->id);

        return $import->refresh();
    }

    /** Makes what is left of a file that was kept; each piece is a change of the history, and stays whatever comes after it. */
    public function goOn(RedirectImport $import): void
    {
        if (! in_array($import->state, ['waiting', 'running'], true)) {
            return;
        }
        $import->update(['state' => 'running']);
        $site = $import->site;
        $text = (string) $this->disk->disk()->get($import->path);
        // What was made before an interruption is refused as being there already, and so left out.
        $look = $this->look($site, $text, $import->ulid);
        foreach ($this->batches($site, $text, $import->ulid, $look, self::PIECE) as $changes) {
            if ($import->refresh()->state !== 'running') {
                break;
            }
            try {
                // Rights may have ended since it was begun.
                $rights = $import->user === null ? null : (new RightsOn($this->db))->of($import->user, $site);
                $entry = $this->apply->apply($site->refresh(), $import->user, Batch::of(...$changes), note: $import->note, rights: $rights);
            } catch (Refusal|RippleChanged|BeyondRights $refused) {
                $import->update(['state' => 'failed', 'problem' => $refused instanceof Refusal ? $refused->reason : $refused->getMessage()]);
                break;
            }
            $this->db->update('update redirect_imports set done = done + ?, entries = array_append(entries, ?), updated_at = now() where id = ?', [
                count($changes),
                $entry->ulid,
                $import->id,
            ]);
        }
        RedirectImport::query()
            ->whereKey($import->id)
            ->where('state', 'running')
            ->update(['state' => 'done']);
        $this->disk->disk()->delete($import->path);
    }

    /** @return iterable<non-empty-list<MakeRedirect>> */
    private function batches(Site $site, string $text, string $seed, ImportPreview $look, int $size): iterable
    {
        $changes = [];
        foreach ($this->pieces($site, $text, $seed) as [$piece]) {
            foreach ($piece as $row => [, , $read]) {
                if ($read instanceof Rule && ! isset($look->bad[$row])) {
                    $changes[] = new MakeRedirect($read);
                    if (count($changes) >= $size) {
                        yield $changes;
                        $changes = [];
                    }
                }
            }
        }
        if ($changes !== []) {
            yield $changes;
        }
    }

    /**
     * The rows of a file, some thousand at a time.
     *
     * @return iterable<array{array<int, array{int, array<string, string>, Rule|Refusal}>, array<string, Claim>}> by place in the file: line, fields, and the rule or why there is none; and the claims on the addresses they lead to
     */
    private function pieces(Site $site, string $text, string $seed): iterable
    {
        $reader = new RedirectRows(new RuleReader($site->rules(), $site->zone), $site->ownAddresses(), $seed);
        $read = function (array $piece) use ($site, $reader): array {
            $claims = $this->claimsOn(
                $site,
                array_filter(array_map(static fn (array $row): ?Address => $reader->leadsInto($row[1]['target'] ?? ''), $piece)),
            );
            $pages = array_filter(array_map(static fn (Claim $claim): ?string => $claim->kind === ClaimKind::Page ? $claim->page : null, $claims));
            foreach ($piece as $row => [$line, $fields]) {
                try {
                    $piece[$row][2] = $reader->read($fields, $line, $pages);
                } catch (Refusal $refusal) {
                    $piece[$row][2] = $refusal;
                }
            }

            return [$piece, $claims];
        };
        $piece = [];
        $row = 0;
        foreach (RedirectFile::rows($text) as $line => $fields) {
            $piece[$row++] = [$line, $fields];
            if (count($piece) >= self::PIECE) {
                yield $read($piece);
                $piece = [];
            }
        }
        yield $read($piece);
    }

    /**
     * @param  array<int, Address>  $addresses
     * @return array<string, Claim>
     */
    private function claimsOn(Site $site, array $addresses): array
    {
        return (new StoredLedger($this->db, $site))->claimsOn(array_values($addresses));
    }

    /**
     * Pages that rules lead to and that are there.
     *
     * @param  array<int, Rule>  $rules
     * @param  array<string, Claim>  $claims
     * @return array<string, true>
     */
    private function there(Site $site, array $rules, array $claims): array
    {
        $there = array_fill_keys(array_filter(array_map(static fn (Claim $claim): ?string => $claim->page, $claims)), true);
        $named = [];
        foreach ($rules as $rule) {
            if ($rule->target?->kind === TargetKind::Page && ! isset($there[$rule->target->value])) {
                $named[] = $rule->target->value;
            }
        }
        $found =
            $named === []
                ? []
                : $this->db->select("select ulid from pages where site_id = ? and state <> 'bin' and ulid = any(?::text[])", [
                    $site->id,
                    PgArray::of($named),
                ]);

        return $there + array_fill_keys(array_column($found, 'ulid'), true);
    }

    /** Why an address cannot be had; null where it can. */
    private static function taken(?Claim $held, bool $isKnown): ?string
    {
        return match ($held?->kind) {
            ClaimKind::Page, ClaimKind::Also => 'A page is at this address. Let the redirect stand in front of it, or leave the row away.',
            ClaimKind::Redirect => 'A former address of a page sends on from here already.',
            ClaimKind::Gone => 'This address is recorded as gone.',
            ClaimKind::Bin => 'This address is kept for a page in the bin.',
            default => $held !== null || $isKnown ? 'There is a redirect of this already.' : null,
        };
    }
}
