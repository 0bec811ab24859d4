<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\Audit\AuditSite;
use App\Desk\Audit\ForeseeFindings;
use App\Desk\Rights;
use App\Jobs\RefreshReach;
use App\Jobs\TellEngines;
use App\Store\FindingSnapshot;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Rename;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Authority;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;

/** What a batch would do to findings and to the way to pages, said before it is applied. */
final class ForesightTest extends AppTestCase
{
    /** @var array<string, string> */
    private array $pages;

    protected function setUp(): void
    {
        parent::setUp();
        $home = $this->live('Home');
        $this->change(['kind' => 'set-start-page', 'page' => $home]);
        $travel = $this->live('Travel');
        $fares = $this->live('Fares', $travel);
        $help = $this->live('Help');
        $lost = $this->live('Lost property', $help);
        $this->pages = ['{home}' => $home, '{travel}' => $travel, '{fares}' => $fares, '{help}' => $help, '{lost}' => $lost, '{draft}' => $this->draft('New fares', $travel)];
        $this->saveContent($help, [['type' => 'paragraph', 'content' => [
            ['type' => 'text', 'text' => 'What it costs', 'marks' => [['type' => 'link', 'attrs' => ['page' => $fares]]]],
        ]]]);
        $this->api('POST', "pages/$help/publish")->assertSuccessful();
        $this->settle();
    }

    /** @return iterable<string, array{string}> */
    public static function batches(): iterable
    {
        yield 'moved deeper' => ['[{"kind":"move","page":"{fares}","place":{"last":"{lost}"}}]'];
        yield 'taken offline' => ['[{"kind":"take-offline","page":"{fares}"}]'];
        yield 'the same name twice' => ['[{"kind":"rename","page":"{fares}","name":"Help"}]'];
        yield 'put live' => ['[{"kind":"go-live","page":"{draft}"}]'];
        yield 'unlisted' => ['[{"kind":"unlist-page","page":"{help}"}]'];
        yield 'kept out of engines with all below' => ['[{"kind":"set-branch-search","page":"{travel}","index":false}]'];
        yield 'a canonical address that is no page' => ['[{"kind":"set-search","page":"{fares}","canonical":"http://ferries.test/nowhere"}]'];
        yield 'a pattern for all titles' => ['[{"kind":"set-site-search","titlePattern":"{site}"}]'];
        yield 'a rule in front of a page' => ['[{"kind":"make-redirect","redirect":"01K00000000000000000000001","source":"/help/:x","scope":"pattern","leadsTo":{"page":"{travel}"},"inFront":true}]'];
        yield 'several at once' => ['[{"kind":"rename","page":"{travel}","name":"Help"},{"kind":"move","page":"{help}","place":{"last":"{travel}"}},{"kind":"put-in-bin","page":"{lost}"}]'];
    }

    #[Test, DataProvider('batches')]
    public function what_is_foreseen_is_what_comes_and_until_then_nothing_is_changed(string $changes): void
    {
        $batch = ['changes' => json_decode(strtr($changes, $this->pages), true), 'defaults' => true];
        $before = $this->everything();
        $snapshot = $this->taken();
        $foreseen = $this->api('POST', 'ripple-findings', $batch)->assertOk()->assertJsonPath('state', 'seen')->json();
        self::assertEquals($before, $this->everything());
        $this->api('POST', 'batches', $batch)->assertCreated();
        $this->settle();
        $after = $this->taken();
        $come = array_keys(array_diff_key($after->findings, $snapshot->findings));
        $gone = array_keys(array_diff_key($snapshot->findings, $after->findings));
        self::assertEqualsCanonicalizing($come, array_map(static fn (array $each): string => "{$each['check']} {$each['page']}", $foreseen['appear']));
        self::assertEqualsCanonicalizing($gone, array_map(static fn (array $each): string => "{$each['check']} {$each['page']}", $foreseen['go']));
        self::assertSame([count($come), count($gone)], [$foreseen['appears'], $foreseen['goes']]);
        $moved = [];
        foreach ($after->clicks as $page => $now) {
            if (isset($snapshot->clicks[$page]) && $snapshot->clicks[$page]['clicks'] !== $now['clicks']) {
                $moved[$page] = [$snapshot->clicks[$page]['clicks'], $now['clicks']];
            }
        }
        self::assertEquals($moved, array_column(array_map(static fn (array $each): array => [$each['page'], [$each['from'], $each['to']]], $foreseen['moved']), 1, 0));
    }

    #[Test]
    public function a_page_that_nothing_would_lead_to_is_named(): void
    {
        $this->api('POST', 'ripple-findings', ['changes' => [['kind' => 'move', 'page' => $this->pages['{lost}'], 'place' => ['last' => $this->pages['{draft}']]]]])
            ->assertOk()
            ->assertJsonPath('orphaned', 1)
            ->assertJsonPath('moved', [['page' => $this->pages['{lost}'], 'name' => 'Lost property', 'from' => 1, 'to' => null]])
            ->assertJsonFragment(['check' => 'orphan', 'name' => 'Lost property', 'severity' => 'warning']);
    }

    #[Test]
    public function nothing_is_tried_while_a_decision_is_open_or_too_much_would_follow(): void
    {
        $this->live('Fares');
        $this->settle();
        $this->api('POST', 'ripple-findings', ['changes' => [['kind' => 'move', 'page' => $this->pages['{fares}'], 'place' => ['last' => null]]]])
            ->assertOk()
            ->assertJsonPath('state', 'open');
        $batch = Batch::of(new Rename($this->pages['{help}'], PageName::of('Aid')));
        foreach ([['maxChanged' => 0], ['maxPages' => 2]] as $bounds) {
            $foresee = $this->app->make(ForeseeFindings::class, $bounds);
            self::assertSame('large', $foresee->of($this->site, $this->manager, $batch, Rights::of(Authority::Manager))->state);
        }
    }

    #[Test]
    public function what_follows_a_change_follows_it_also_where_it_was_tried_a_moment_before(): void
    {
        Queue::fake([RefreshReach::class, TellEngines::class]);
        $this->change(['kind' => 'set-outside-services', 'tellsEngines' => true]);
        $batch = ['changes' => [['kind' => 'rename', 'page' => $this->pages['{help}'], 'name' => 'Aid']]];
        $this->api('POST', 'ripple-findings', $batch)->assertOk();
        Queue::assertPushed(RefreshReach::class, 1);
        Queue::assertNotPushed(TellEngines::class);
        $this->travel(61)->seconds(); // the first change has its own, which nobody works off here
        $this->api('POST', 'ripple-findings', $batch)->assertOk();
        $this->api('POST', 'batches', $batch)->assertCreated();
        Queue::assertPushed(RefreshReach::class, 2);
        Queue::assertPushed(TellEngines::class, 1);
    }

    #[Test]
    public function a_rule_that_was_only_tried_leaves_nothing_compiled_behind(): void
    {
        $rule = fn (string $to): array => ['changes' => [['kind' => 'make-redirect', 'redirect' => '01K0000000000000000000000'.$to, 'source' => '/deal/:x', 'scope' => 'pattern', 'leadsTo' => ['page' => $this->pages[$to === '1' ? '{help}' : '{travel}']]]]];
        $this->api('POST', 'ripple-findings', $rule('1'))->assertOk();
        $this->visit('/deal/a')->assertNotFound();
        $this->api('POST', 'batches', $rule('2'))->assertCreated();
        $this->visit('/deal/a')->assertRedirect('/travel');
    }

    private function settle(): void
    {
        $this->app->call([new RefreshReach($this->site->id), 'workOut']);
        $this->app->make(AuditSite::class)->run($this->site->refresh());
    }

    private function taken(): FindingSnapshot
    {
        return FindingSnapshot::of($this->app->make(ConnectionInterface::class), $this->site);
    }

    /** @return list<mixed> */
    private function everything(): array
    {
        return [
            $this->snapshot(),
            DB::select('select page_id, check_code, says, since, entry_id from findings order by 1, 2'),
            DB::select('select page_id, facts::text, weight, passed from audit_pages order by 1'),
            DB::select('select page_id, key, holds from audit_keys order by 1, 2'),
            DB::select('select id, clicks, links_in, weight from pages order by 1'),
            DB::select('select count(*) from history'),
            DB::select('select count(*) from audit_due'),
            DB::select('select page_id, vector::text from search_pages order by 1'),
            DB::select('select search, rules_version from sites order by id'),
        ];
    }
}
