<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\AccountLinks;
use App\Desk\Accounts\LetPeopleIn;
use App\Desk\Accounts\OwnAccount;
use App\Desk\Accounts\VisitorAccounts;
use App\Desk\Accounts\VisitorLinks;
use App\Desk\BringIn\GiveSource;
use App\Desk\Plans\KeepPlans;
use App\Desk\Rights;
use App\Models\Plan;
use App\Models\SiteImport;
use App\Models\StoredStep;
use App\Models\Visitor;
use Heronstem\Core\Access\Role;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Workspace\Authority;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Test;

/** Two who ask in the same moment: what one has looked up is old by the time that it is written. Neither loses what they said, and what is good once is good once. */
final class SameMomentTest extends AppTestCase
{
    private const PASSWORD = 'over the sound at dusk';

    #[Test]
    public function what_is_said_of_an_import_is_kept_both(): void
    {
        $source = $this->api('POST', 'bring-in', ['text' => "address,name\n/travel,Travel\n"])
            ->assertCreated()
            ->json('id');
        [$one, $other] = [SiteImport::query()->sole(), SiteImport::query()->sole()];
        $give = $this->app->make(GiveSource::class);
        $give->say($one, ['as' => 'live']);
        $give->say($other, ['keepsAddresses' => false]);

        $said = $this->api('GET', "bring-in/$source")->json('said');

        self::assertSame(['live', false], [$said['as'], $said['keepsAddresses']]);
    }

    #[Test]
    public function an_import_that_has_been_made_meanwhile_is_told_nothing_more(): void
    {
        $this->api('POST', 'bring-in', ['text' => "address,name\n/travel,Travel\n"])->assertCreated();
        $looked = SiteImport::query()->sole();
        SiteImport::query()->update(['state' => 'applied']);

        $this->expectExceptionObject(new InputRefused('import', 'This was brought in already. Give it again to change how.'));
        $this->app->make(GiveSource::class)->say($looked, ['as' => 'live']);
    }

    #[Test]
    public function a_plan_goes_on_knowing_what_it_began_with(): void
    {
        [$fares, $help] = [$this->live('Fares'), $this->live('Help')];
        $plan = $this->api('POST', 'plans', ['name' => 'Next year'])
            ->assertCreated()
            ->json('id');
        $this->api('POST', "plans/$plan/steps", ['changes' => [['kind' => 'rename', 'page' => $help, 'name' => 'Questions']]])->assertCreated();
        $looked = Plan::query()->sole();
        $first = StoredStep::query()->sole();
        $this->api('POST', "plans/$plan/steps", ['changes' => [['kind' => 'rename', 'page' => $fares, 'name' => 'Prices']]])->assertCreated();
        $this->change(['kind' => 'rename', 'page' => $fares, 'name' => 'Tickets']);

        $this->app->make(KeepPlans::class)->remove($looked, $first, Rights::of(Authority::Manager));

        $review = $this->api('GET', "plans/$plan")
            ->assertOk()
            ->json();
        self::assertCount(1, $review['steps']);
        self::assertContains(
            ['Fares', 'Tickets', 'Prices'],
            array_map(static fn (array $of): array => [$of['was'], $of['is'], $of['planned']], $review['contradictions']),
        );
    }

    #[Test]
    public function a_plan_that_has_been_applied_meanwhile_takes_nothing_more(): void
    {
        $page = $this->live('Fares');
        $plan = $this->api('POST', 'plans', ['name' => 'Next year'])
            ->assertCreated()
            ->json('id');
        $this->api('POST', "plans/$plan/steps", ['changes' => [['kind' => 'rename', 'page' => $page, 'name' => 'Prices']]])->assertCreated();
        $looked = Plan::query()->sole();
        $step = StoredStep::query()->sole();
        $this->api('POST', "plans/$plan/switched")->assertCreated();
        $keep = $this->app->make(KeepPlans::class);
        $rights = Rights::of(Authority::Manager);
        foreach (
            [
                static fn () => $keep->remove($looked, $step, $rights),
                static fn () => $keep->accept($looked, $page, $rights),
                static fn () => $keep->decide($looked, []),
            ] as $late
        ) {
            $looked->state = 'open';
            self::refused('plan', $late);
        }
        self::assertTrue(StoredStep::query()->whereKey($step->id)->exists());
    }

    #[Test]
    public function a_link_that_sets_a_password_is_good_once(): void
    {
        $links = $this->app->make(AccountLinks::class);
        $token = basename($links->make($this->manager, AccountLinks::PASSWORD, 'http://editor.test'));
        $this->meanwhile('select * from "account_links"', static fn () => $links->setPassword($token, 'the one who came first'));

        self::refused('link', static fn () => $links->setPassword($token, self::PASSWORD));
    }

    #[Test]
    public function a_link_that_confirms_a_mail_address_is_good_once(): void
    {
        $this->manager->forceFill(['email_wanted' => 'mairi@elsewhere.example'])->save();
        $links = $this->app->make(AccountLinks::class);
        $token = basename($links->make($this->manager, AccountLinks::MAIL, 'http://editor.test'));
        $own = $this->app->make(OwnAccount::class);
        $this->meanwhile('select * from "account_links"', static fn () => $own->confirmMail($token));

        self::refused('link', static fn () => $own->confirmMail($token));
    }

    #[Test]
    public function a_link_of_a_visitor_is_good_once(): void
    {
        $made = $this->api('POST', 'visitors', ['name' => 'Finlay', 'email' => 'finlay@skerrivane.example'])->assertCreated();
        $token = substr((string) $made->json('link'), -48);
        $links = $this->app->make(VisitorLinks::class);
        [$one, $other] = [$links->find($token, $this->site), $links->find($token, $this->site)];
        self::assertNotNull($one);
        self::assertNotNull($other);
        $accounts = $this->app->make(VisitorAccounts::class);
        $accounts->setByLink($one, 'the one who came first');

        self::refused('link', static fn () => $accounts->setByLink($other, self::PASSWORD));

        self::assertTrue(password_verify('the one who came first', Visitor::query()->sole()->password));
    }

    #[Test]
    public function whoever_sends_the_form_twice_has_one_account(): void
    {
        config()->set('mail.default', 'array');
        $accounts = $this->app->make(VisitorAccounts::class);
        $ask = fn () => $accounts->ask($this->site, 'Ann', 'ann@skerrivane.example');
        $this->meanwhile('select * from "visitors"', $ask);

        $ask();

        self::assertSame('Ann', Visitor::query()->sole()->name);
        self::assertSame(2, DB::table('visitor_links')->count());
    }

    #[Test]
    public function of_two_owners_who_shut_each_other_out_one_stays(): void
    {
        [$greta, $ada] = [$this->person('Greta', Role::OWNER), $this->person('Ada', Role::OWNER)];
        $door = $this->app->make(LetPeopleIn::class);
        $door->disable($this->site, $greta, $ada->ulid);

        self::refused('person', fn () => $door->disable($this->site, $ada, $greta->ulid));

        $this->api('GET', 'people', as: $greta)->assertOk();
    }

    #[Test]
    public function an_owner_who_is_let_in_no_longer_does_not_let_the_last_one_go(): void
    {
        [$greta, $ada] = [$this->person('Greta', Role::OWNER), $this->person('Ada', Role::OWNER)];
        $this->api('PUT', "people/{$ada->ulid}/disabled", as: $greta)->assertNoContent();
        $leave = ['changes' => [['kind' => 'set-roles', 'person' => $greta->ulid, 'roles' => []]]];

        $this->api('POST', 'batches', $leave, $greta)->assertStatus(422)->assertJsonPath('errors.0.field', 'changes.0.roles');

        $this->api('DELETE', "people/{$ada->ulid}/disabled", as: $greta)->assertNoContent();
        $this->api('POST', 'batches', $leave, $greta)->assertCreated();
        $this->api('GET', 'people', as: $ada)->assertOk();
    }

    /** Does something else once, right after a question that begins so: what was answered is old then. */
    private function meanwhile(string $question, \Closure $other): void
    {
        $isDone = false;
        DB::listen(static function (QueryExecuted $asked) use ($question, $other, &$isDone): void {
            if (! $isDone && str_starts_with($asked->sql, $question)) {
                $isDone = true;
                $other();
            }
        });
    }

    private static function refused(string $field, \Closure $work): void
    {
        try {
            $work();
        } catch (InputRefused $refused) {
            self::assertSame($field, $refused->field);

            return;
        }
        self::fail("Nothing was refused in “{$field}”.");
    }
}
