<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\RuleSet;
use Illuminate\Database\ConnectionInterface;

/**
 * The rules of a site that hold no address, compiled: kept in a file of plain PHP, which opcode caches hold ready, and made
 * anew when they change or one of them begins or ends. Rules that hold an address are found with it in the ledger.
 */
final class CompiledRules
{
    /** @var array<string, RuleSet> those this process has read, by site and version */
    private array $read = [];

    public function __construct(private readonly ConnectionInterface $db)
    {
    }

    public function of(Site $site): RuleSet
    {
        $now = now()->getTimestamp();
        $version = $this->version($site);
        $set = $this->read[$version] ?? $this->kept($version, $site);
        if ($set === null || ($set->goodUntil !== null && $set->goodUntil <= $now)) {
            $set = RuleSet::compile((new StoredRules($this->db, $site))->withoutClaim(), $site->rules(), Moment::at($now));
            $this->keep($version, $set);
        }
        $this->read = [$version => $set] + array_slice($this->read, 0, 15, true);

        return $set;
    }

    /** Stands for the rules and for everything their compiling depends on. */
    private function version(Site $site): string
    {
        return "rules-{$site->id}-{$site->rules_version}-".
            substr(hash('sha256', serialize([RuleSet::FORMAT, $site->rules(), $site->ulid, config('database.connections.pgsql.database')])), 0, 12);
    }

    private function kept(string $version, Site $site): ?RuleSet
    {
        $file = $this->file($version);
        $kept = is_file($file) ? @include $file : null;

        return is_array($kept) ? RuleSet::fromArray($kept, $site->rules()) : null;
    }

    /** Written beside and moved into place, so that nobody reads half of it. */
    private function keep(string $version, RuleSet $set): void
    {
        $file = $this->file($version);
        foreach (glob(dirname($file).'/'.preg_replace('/^(rules-\d+-).*/', '$1', $version).'*.php') ?: [] as $old) {
            if ($old !== $file) {
                @unlink($old);
            }
        }
        $half = $file.'.'.bin2hex(random_bytes(6));
        if (@file_put_contents($half, '<?php return '.var_export($set->toArray(), true).';') !== false) {
            rename($half, $file);
            if (function_exists('opcache_invalidate')) {
                @opcache_invalidate($file, true);
            }
        }
    }

    private function file(string $version): string
    {
        return storage_path("framework/cache/$version.php");
    }
}
