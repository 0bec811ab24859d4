<?php

declare(strict_types=1);

namespace Tests\App;

use App\Store\StoredLedger;
use App\Store\StoredMenuPages;
use App\Store\StoredMenus;
use App\Store\StoredPages;
use App\Store\StoredRules;
use Heronstem\Core\Address\Ledger;
use Heronstem\Core\Menu\MenuPages;
use Heronstem\Core\Menu\Menus;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\Rules;
use Heronstem\Core\Structure\Pages;
use Illuminate\Support\Facades\DB;
use Tests\Core\Contract\PortsContract;

final class StoredPortsTest extends AppTestCase
{
    use PortsContract;

    protected function pages(): Pages
    {
        return new StoredPages(DB::connection(), $this->site);
    }

    protected function menus(): Menus
    {
        return new StoredMenus(DB::connection(), $this->site->refresh());
    }

    protected function menuPages(): MenuPages
    {
        return new StoredMenuPages(DB::connection(), $this->site->refresh(), Moment::at(now()->getTimestamp()));
    }

    protected function redirects(): Rules
    {
        return new StoredRules(DB::connection(), $this->site);
    }

    protected function ledger(): Ledger
    {
        return new StoredLedger(DB::connection(), $this->site);
    }
}
