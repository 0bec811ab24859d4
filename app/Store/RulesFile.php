<?php

declare(strict_types=1);

namespace App\Store;

use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Redirect\RuleSet;

/**
 * Compiled rules of a site, kept in a file of plain PHP, which opcode caches hold ready: whoever answers needs neither the database nor
 * a framework to have them.
 */
final readonly class RulesFile
{
    private function __construct(private string $folder, private string $database)
    {
    }

    /** @param  string  $storage  of this node */
    public static function here(string $storage, string $database): self
    {
        return new self("$storage/framework/cache", $database);
    }

    /** Stands for the rules of a site and for everything their compiling depends on. */
    public function version(int $site, string $ulid, int $number, AddressRules $rules): string
    {
        return "rules-$site-$number-".substr(hash('sha256', serialize([RuleSet::FORMAT, $rules, $ulid, $this->database])), 0, 12);
    }

    /** @return RuleSet|null null where it has to be compiled, or compiled anew */
    public function read(string $version, AddressRules $rules, int $now): ?RuleSet
    {
        $file = $this->file($version);
        try {
            $kept = is_file($file) ? @include $file : null;
        } catch (\ParseError) {
            $kept = null; // cut short, by a machine that lost its power
        }
        $set = is_array($kept) ? RuleSet::fromArray($kept, $rules) : null;

        return $set === null || ($set->goodUntil !== null && $set->goodUntil <= $now) ? null : $set;
    }

    public function keep(string $version, RuleSet $set): void
    {
        $file = $this->file($version);
        foreach (glob(dirname($file).'/'.preg_replace('/^(rules-\d+-).*/', '$1', $version).'*.php') ?: [] as $old) {
            if ($old !== $file) {
                @unlink($old);
            }
        }
        if (WholeFile::put($file, '<?php return '.var_export($set->toArray(), true).';') && function_exists('opcache_invalidate')) {
            @opcache_invalidate($file, true);
        }
    }

    private function file(string $version): string
    {
        return "{$this->folder}/$version.php";
    }
}
