<?php

declare(strict_types=1);

namespace Tests\App;

use App\Models\User;
use App\Store\StoredLedger;
use App\Store\StoredMarks;
use App\Store\StoredMenuPages;
use App\Store\StoredMenus;
use App\Store\StoredPages;
use App\Store\StoredRules;
use Heronstem\Core\Access\Marks;
use Heronstem\Core\Ledger\Ledger;
use Heronstem\Core\Menu\MenuPages;
use Heronstem\Core\Menu\Menus;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\Rules;
use Heronstem\Core\Tree\Pages;
use Heronstem\Core\Tree\PersonAtPage;
use Heronstem\Core\Tree\PersonRole;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
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

    protected function marks(): Marks
    {
        return new StoredMarks(DB::connection(), $this->site);
    }

    protected function somebodyAt(PersonAtPage $person): void
    {
        $user = User::query()->create(['name' => $person->name, 'email' => Str::ulid().'@site.example', 'password' => 'not-asked-here']);
        if ($person->tie === PersonRole::Branch) {
            DB::table('right_lines')->insert([
                'site_id' => $this->site->id,
                'user_id' => $user->id,
                'page_id' => $this->keyOf($person->page),
                'right' => 'write',
                'says' => 'allow',
            ]);
        } else {
            DB::table('drafts')->insert([
                'page_id' => $this->keyOf($person->page),
                'user_id' => $user->id,
                'document' => '{"version":1,"type":"doc","content":[]}',
                'based_on' => 0,
            ]);
        }
    }

    private function keyOf(string $page): int
    {
        return (int) DB::table('pages')->where('ulid', $page)->value('id');
    }
}
