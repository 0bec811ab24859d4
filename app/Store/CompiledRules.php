<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\RuleSet;
use Illuminate\Database\ConnectionInterface;

/**
 * The rules of a site that hold no address, compiled, and made anew when they change or one of them begins or ends. Rules that hold an
 * address are found with it in the ledger.
 */
final class CompiledRules
{
    /** @var array<string, RuleSet> those this process has read, by site and version */
    private array $read = [];

    public function __construct(private readonly ConnectionInterface $db, private readonly RulesFile $file)
    {
    }

    public function of(Site $site): RuleSet
    {
        $now = now()->getTimestamp();
        $version = $this->file->version($site->id, $site->ulid, $site->rules_version, $site->rules());
        $set = $this->read[$version] ?? null;
        if ($set === null || ($set->goodUntil !== null && $set->goodUntil <= $now)) {
            $set = $this->file->read($version, $site->rules(), $now);
        }
        if ($set === null) {
            $set = RuleSet::compile((new StoredRules($this->db, $site))->withoutClaim(), $site->rules(), Moment::at($now));
            $this->file->keep($version, $set);
        }
        $this->read = [$version => $set] + array_slice($this->read, 0, 15, true);

        return $set;
    }
}
