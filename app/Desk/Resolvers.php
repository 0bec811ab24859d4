<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\CompiledRules;
use App\Store\LedgerLookup;
use Heronstem\Core\Redirect\Resolver;
use Illuminate\Database\Connection;

/** What answers at the addresses of a site: for visitors, for explaining and for checks alike. */
final readonly class Resolvers
{
    public function __construct(private Connection $db, private CompiledRules $rules)
    {
    }

    public function for(Site $site): Resolver
    {
        return new Resolver($site->rules(), new LedgerLookup($this->db->getPdo(), $site->id), $this->rules->of($site));
    }
}
