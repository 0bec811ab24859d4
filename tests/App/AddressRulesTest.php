<?php

declare(strict_types=1);

namespace Tests\App;

use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;

/** How addresses are written: seen before it is changed, every former address answering, undone exactly. */
final class AddressRulesTest extends AppTestCase
{
    private string $travel;

    private string $fares;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travel = $this->live('Travel');
        $this->fares = $this->live('Fares', $this->travel);
        $this->redirect(['source' => '/summer', 'leadsTo' => ['page' => $this->fares]]);
        $this->redirect(['scope' => 'branch', 'source' => '/old', 'leadsTo' => ['page' => $this->travel]]);
        $gone = $this->redirect(['source' => '/closed', 'leadsTo' => ['page' => $this->fares]]);
        $this->change(['kind' => 'remove-redirect', 'redirect' => $gone, 'gone' => true]);
        $this->change(
            ['kind' => 'rename', 'page' => $this->fares, 'name' => 'Prices'],
            ['kind' => 'set-slug', 'page' => $this->fares, 'slug' => 'prices'],
        );
    }

    /** @return iterable<string, array{array<string, mixed>, string}> the rules, and the address of the prices by them */
    public static function rules(): iterable
    {
        yield 'a slash' => [['trailingSlash' => 'always'], '/travel/prices/'];
        yield 'a suffix' => [['suffix' => '.html'], '/travel/prices.html'];
        yield 'capitals' => [['caseSensitive' => true], '/travel/prices'];
    }

    /** @param  array<string, mixed>  $rules */
    #[Test]
    #[DataProvider('rules')]
    public function every_former_address_leads_to_the_page_in_one_step_and_undoing_is_exact(array $rules, string $address): void
    {
        $before = $this->snapshot();
        $change = ['kind' => 'set-address-rules', ...$rules];
        $moves = $address === '/travel/prices' ? 0 : 2;
        $this->api('POST', 'ripple', ['changes' => [$change]])
            ->assertOk()
            ->assertJsonPath('matters', true)
            ->assertJsonPath('canBeApplied', true)
            ->assertJsonPath('account.counts.addresses', $moves)
            ->assertJsonPath('account.counts.redirectsWritten', 0)
            ->assertJsonPath('account.counts.gone', 0);
        $entry = $this->change($change);
        self::assertStringStartsWith('Changed how addresses are written: ', $entry->sentence);
        $this->assertInvariants();
        $this->ask($address)->assertOk();
        foreach (array_diff(['/travel/prices', '/travel/fares', '/summer', '/summer/'], [$address]) as $former) {
            self::assertSame($address, $this->ask($former)->assertStatus(301)->headers->get('Location'), $former);
        }
        $this->visit('/old/anything')->assertStatus(301);
        $this->visit('/closed')->assertStatus(410);
        $this->visit('/nobody')->assertNotFound();
        $this->api('POST', "history/{$entry->ulid}/undo", ['decisions' => []])->assertCreated();
        self::assertEquals($before, $this->snapshot());
        $this->assertInvariants();
    }

    #[Test]
    public function what_was_done_before_is_undone_by_the_rules_there_are_now(): void
    {
        $moved = $this->change(['kind' => 'move', 'page' => $this->fares, 'place' => ['last' => null]]);
        $removed = $this->redirect(['source' => '/gone-soon', 'leadsTo' => ['page' => $this->fares]]);
        $entry = $this->change(['kind' => 'remove-redirect', 'redirect' => $removed]);
        $this->change(['kind' => 'set-address-rules', 'trailingSlash' => 'always']);
        $this->api('POST', "history/{$entry->ulid}/undo")->assertCreated();
        $this->api('POST', "history/{$moved->ulid}/undo")->assertCreated();
        $this->assertInvariants();
        $this->ask('/travel/prices/')->assertOk();
        self::assertSame('/travel/prices/', $this->visit('/gone-soon')->assertStatus(301)->headers->get('Location'));
    }

    #[Test]
    public function it_is_undone_by_itself_and_then_what_was_before_it(): void
    {
        $first = $this->change(['kind' => 'rename', 'page' => $this->travel, 'name' => 'Crossings']);
        $entry = $this->change(['kind' => 'set-address-rules', 'trailingSlash' => 'always']);
        $this->api('POST', 'undo', ['entries' => [$entry->ulid, $first->ulid]])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'entries')
            ->assertSee('Undo it by itself');
        $this->api('POST', 'undo', ['entries' => [$entry->ulid]])->assertCreated();
        $this->api('POST', 'undo', ['entries' => [$first->ulid]])->assertCreated();
        $this->assertInvariants();
    }

    #[Test]
    public function two_addresses_that_would_become_one_are_named(): void
    {
        $this->redirect(['source' => '/map.html', 'leadsTo' => ['page' => $this->travel]]);
        $this->redirect(['source' => '/map', 'leadsTo' => ['page' => $this->fares]]);
        $this->api('POST', 'ripple', ['changes' => [['kind' => 'set-address-rules', 'suffix' => '.html']]])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'changes.0.suffix')
            ->assertSee('would become one address');
        $this->api('POST', 'ripple', [
            'changes' => [['kind' => 'set-address-rules', 'suffix' => '.html'], ['kind' => 'rename', 'page' => $this->travel, 'name' => 'T']],
        ])
            ->assertStatus(422)
            ->assertSee('by itself');
        $this->api('POST', 'ripple', ['changes' => [['kind' => 'set-address-rules', 'suffix' => 'html']]])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'changes.0.suffix');
        $this->api('POST', 'ripple', [
            'changes' => [['kind' => 'set-address-rules', 'suffix' => '.html', 'trailingSlash' => 'always']],
        ])->assertStatus(422);
    }

    #[Test]
    public function links_written_as_addresses_and_addresses_asked_for_in_vain_follow(): void
    {
        $this->saveContent($this->travel, [
            [
                'type' => 'paragraph',
                'content' => [['type' => 'text', 'text' => 'Prices', 'marks' => [['type' => 'link', 'attrs' => ['href' => '/travel/prices']]]]],
            ],
        ]);
        DB::insert("insert into missed_addresses (site_id, key, address, first_at, last_at) values (?, '/lost', '/lost', now(), now())", [
            $this->site->id,
        ]);
        DB::insert("insert into missed_hits (site_id, key, day, hits) values (?, '/lost', current_date, 3)", [$this->site->id]);
        DB::insert("insert into redirect_hits (site_id, rule, day, hits) values (?, 'at /travel/fares', current_date, 5)", [$this->site->id]);
        $change = ['kind' => 'set-address-rules', 'trailingSlash' => 'always'];
        $this->api('POST', 'ripple', ['changes' => [$change]])
            ->assertJsonPath('account.lists.rawLinks.0.from', '/travel/prices')
            ->assertJsonPath('account.counts.rawLinks', 1);
        $this->change($change);
        self::assertSame('/lost/ 3', DB::scalar("select m.address || ' ' || h.hits from missed_addresses m join missed_hits h using (site_id, key)"));
        self::assertSame('at /travel/fares/ 5', DB::scalar("select rule || ' ' || hits from redirect_hits"));
        self::assertSame('/travel/prices/', DB::scalar('select key from raw_links'));
    }

    /** As it stands: the client of the tests takes slashes from the end. */
    private function ask(string $path): TestResponse
    {
        $request = Request::create("http://ferries.test$path");

        return TestResponse::fromBaseResponse($this->app->make(Kernel::class)->handle($request), $request);
    }
}
