<?php

declare(strict_types=1);

namespace Tests\App;

use Heronstem\Core\Menu\MenuPage;
use Heronstem\Core\Moment;
use Heronstem\Core\Tree\PageState;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Test;

/** Whether visitors get a page is one rule, written twice: for one page in the core, for many in the database. */
final class VisibilityTest extends AppTestCase
{
    #[Test]
    public function the_database_and_the_core_agree_on_every_state_and_schedule(): void
    {
        $moments = [null, 999, 1000, 1001];
        foreach (PageState::cases() as $state) {
            foreach ($moments as $from) {
                foreach ($moments as $until) {
                    $at = static fn (?int $seconds): ?Moment => $seconds === null ? null : Moment::at($seconds);
                    $inCore = MenuPage::visibility($state, $at($from), $at($until), Moment::at(1000))[0] === null;
                    $inDatabase = DB::scalar('select is_visible_at(?, to_timestamp(?), to_timestamp(?), to_timestamp(1000))', [
                        $state->value,
                        $from,
                        $until,
                    ]);
                    self::assertSame($inCore, $inDatabase, json_encode([$state, $from, $until], JSON_THROW_ON_ERROR));
                }
            }
        }
    }
}
