<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\CompiledRules;
use App\Store\LoadedAnswers;
use App\Store\StoredRules;
use Heronstem\Core\Interchange\NginxRules;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\Resolver;
use Heronstem\Core\Redirect\Rule;
use Illuminate\Database\Connection;

/** The redirects of a site as files for web servers. */
final readonly class ExportRedirects
{
    public function __construct(private Connection $db, private CompiledRules $compiled)
    {
    }

    public function nginx(Site $site): NginxRules
    {
        $at = Moment::at(now()->getTimestamp());
        $rules = array_values(array_filter(iterator_to_array((new StoredRules($this->db, $site))->all(), false), static fn (Rule $rule): bool => $rule->isActiveAt($at)));
        $claiming = array_column(array_filter($rules, static fn (Rule $rule): bool => $rule->claims()), null, 'key');
        $set = $this->compiled->of($site);

        return new NginxRules($rules, $this->addresses($site, "l.kind in ('redirect', 'gone')"), $this->addresses($site, "l.kind in ('page', 'also')"), new Resolver($site->rules(), new LoadedAnswers($this->db, $site, $claiming), $set), $set, $site->rules());
    }

    /** @return list<string> */
    private function addresses(Site $site, string $which): array
    {
        return array_column($this->db->select("select l.address from ledger l where l.site_id = ? and $which order by l.key", [$site->id]), 'address');
    }
}
