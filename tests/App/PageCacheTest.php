<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\Cache\ForgetPages;
use App\Desk\Cache\Node;
use App\Desk\Demo\LoadDemoSite;
use App\Models\File;
use App\Models\Membership;
use App\Models\Page;
use App\Models\SharedPiece;
use App\Models\Site;
use App\Store\PageCache;
use Heronstem\Core\Access\Role;
use Heronstem\Core\Refusal;
use Illuminate\Support\Carbon;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Test;

/** Rendered pages as a web server in front would keep them: never other than rendered anew, and not forgotten in vain. */
final class PageCacheTest extends AppTestCase
{
    private string $folder;

    /** @var array<string, string> bodies by path */
    private array $kept = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/heronstem-node-'.bin2hex(random_bytes(6));
        mkdir("{$this->folder}/pages", recursive: true);
        mkdir("{$this->folder}/forgetting");
        config(['heronstem.node_folder' => $this->folder]);
    }

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->folder));
        parent::tearDown();
    }

    #[Test]
    public function whatever_changes_pages_that_are_kept_are_as_rendered_anew(): void
    {
        $this->demo();
        mt_srand((int) (getenv('ERIS_SEED') ?: 1));
        $this->app->make(ForgetPages::class)->begin();
        $this->fill();
        self::assertGreaterThan(25, count($this->kept));
        $forgotten = $inVain = 0;
        foreach ($this->changes() as $what => $change) {
            try {
                $change();
            } catch (Refusal) {
                continue; // what cannot be done to the page that chance chose
            }
            $gone = $this->forget();
            foreach ($gone as $path => $body) {
                $inVain += $this->body($path) === $body ? 1 : 0;
            }
            $forgotten += count($gone);
            $some = array_keys($this->kept);
            shuffle($some);
            foreach (array_slice($some, 0, 20) as $path) {
                self::assertSame($this->body($path), $this->kept[$path], "$path is shown as it was before: $what.");
            }
            $this->fill();
        }
        foreach ($this->kept as $path => $body) {
            self::assertSame($this->body($path), $body, "$path is shown as it was before.");
        }
        self::assertGreaterThan(80, $forgotten);
        // Where a list is full, or a card has another text, a change may not be seen of what could show it. A page that every page
        // might show counts as many, so that chance alone brings between nothing and four in ten.
        self::assertLessThan(getenv('ERIS_SEED') === false ? 0.2 : 0.5, $inVain / $forgotten, "$inVain of $forgotten were forgotten in vain.");
    }

    #[Test]
    public function a_change_to_one_page_leaves_others_kept(): void
    {
        $news = $this->live('News', $this->live('About'));
        $this->live('Boats');
        $this->keep('/about', '/about/news', '/boats');
        $this->change(['kind' => 'describe', 'page' => $news, 'searchTitle' => 'News of the boats'], ['kind' => 'publish', 'pages' => [$news]]);
        self::assertSame(['/about/news'], array_keys($this->forget()));
        $this->keep('/about/news');
        $draft = $this->draft('Prices', $news);
        $this->change(['kind' => 'rename', 'page' => $draft, 'name' => 'Fares']);
        self::assertSame([], array_keys($this->forget()), 'What nobody sees is on no page.');
    }

    #[Test]
    public function what_changes_while_a_page_is_rendered_keeps_it_from_being_kept(): void
    {
        $times = $this->live('Times');
        $cache = $this->app->make(PageCache::class);
        $mark = $cache->mark();
        $this->change(['kind' => 'rename', 'page' => $times, 'name' => 'Timetables']);
        self::assertTrue($cache->changedSince($mark, $this->site, ["p$times"]));
        self::assertFalse($cache->keep('here', 'http://ferries.test/times', $this->site, ["p$times"], $mark));
        self::assertTrue($cache->keep('here', 'http://ferries.test/times', $this->site, ["p$times"], $cache->mark()));
        self::assertFalse($cache->changedSince($mark, $this->site, ['f01M8M8QC7QND6XCAKYXGMAVABS']));
    }

    #[Test]
    public function pages_are_kept_to_the_second_at_which_something_begins_or_ends(): void
    {
        $now = Carbon::parse('2026-11-29 10:00:00');
        Carbon::setTestNow($now);
        $this->live('Times');
        $soon = $this->draft('Offer');
        self::assertSame('max-age=600, public, stale-if-error=86400, stale-while-revalidate=600', $this->keeps('/times'));
        DB::table('pages')
            ->where('ulid', $soon)
            ->update(['from_at' => DB::raw("now() + interval '1000 seconds'")]);
        Carbon::setTestNow(Carbon::parse(DB::scalar('select now()')));
        self::assertMatchesRegularExpression(
            '/^max-age=600, public, stale-if-error=(39[89]|400), stale-while-revalidate=(39[89]|400)$/D',
            (string) $this->keeps('/times'),
        );
        DB::table('pages')
            ->where('ulid', $soon)
            ->update(['from_at' => DB::raw("now() + interval '90 seconds'")]);
        self::assertMatchesRegularExpression(
            '/^max-age=(8[89]|90), public, stale-if-error=0, stale-while-revalidate=0$/D',
            (string) $this->keeps('/times'),
        );
        Carbon::setTestNow();
    }

    #[Test]
    public function a_page_or_its_site_says_how_long_others_keep_it_and_never_beyond_what_begins_or_ends(): void
    {
        $this->live('Times');
        $offer = $this->live('Offer');
        $said = fn (string $path): array => [$this->keeps($path), $this->asked($path)->headers->get('X-Visitor-Cache-Control')];
        self::assertSame('max-age=0, must-revalidate, public', $said('/times')[1]);
        $this->keep('/times', '/offer');
        $this->api('PUT', 'caching', ['caching' => 'long'])->assertNoContent();
        self::assertContains('/times', array_keys($this->forget()), 'What is kept says how long.');
        self::assertSame(['max-age=600, public, stale-if-error=86400, stale-while-revalidate=600', 'max-age=3600, public'], $said('/times'));
        $this->change(['kind' => 'describe', 'page' => $offer, 'caching' => 'off']);
        self::assertSame([null, 'no-store, private'], $said('/offer'));
        $this->change(['kind' => 'describe', 'page' => $offer, 'caching' => 60]);
        self::assertSame('max-age=60, public', $said('/offer')[1]);

        Carbon::setTestNow(Carbon::parse(DB::scalar('select now()')));
        DB::table('pages')
            ->where('ulid', $this->draft('Sale'))
            ->update(['from_at' => DB::raw("now() + interval '1000 seconds'")]);
        // An hour would be beyond it. A minute is not, and the server hands it out no later than a minute before.
        self::assertSame('max-age=0, must-revalidate, public', $said('/times')[1]);
        [$kept, $elsewhere] = $said('/offer');
        self::assertSame('max-age=60, public', $elsewhere);
        self::assertMatchesRegularExpression(
            '/^max-age=600, public, stale-if-error=(33[89]|340), stale-while-revalidate=(33[89]|340)$/D',
            (string) $kept,
        );
        Carbon::setTestNow();
    }

    #[Test]
    public function who_has_pages_of_their_own_and_what_is_no_page_is_not_kept(): void
    {
        $this->live('Times');
        $closed = $this->live('Rota');
        $this->change(['kind' => 'set-access', 'page' => $closed, 'access' => ['to' => 'some', 'signedIn' => true, 'others' => 'sign-in']]);
        self::assertNotNull($this->keeps('/times'));
        foreach (['/rota', '/nothing', '/times?from=poster', '/Times', '/robots.txt', '/_search?q=times'] as $path) {
            self::assertNull($this->keeps($path), $path);
        }
        self::assertSame('no-store, private', $this->asked('/times', 'POST')->headers->get('Cache-Control'));
        $this->app['auth']->forgetGuards();
        self::assertNull($this->keeps('/times', ['heronstem_visitor' => 'somebody']));
        self::assertSame('max-age=0, must-revalidate, public', $this->asked('/times')->headers->get('X-Visitor-Cache-Control'));
    }

    #[Test]
    public function files_of_what_is_forgotten_are_gone_at_once_and_many_are_gone_before_they_are_read_again(): void
    {
        $page = $this->live('Times');
        $forget = $this->app->make(ForgetPages::class);
        $forget->begin();
        $node = Node::here();
        $file = function (string $key) use ($node): string {
            $path = $node->file($key);
            is_dir(dirname($path)) || mkdir(dirname($path), recursive: true);
            touch($path);

            return $path;
        };
        $cache = $this->app->make(PageCache::class);
        $key = 'http://ferries.test/times';
        self::assertTrue($cache->keep($node->name, $key, $this->site, ["p$page"], $cache->mark()));
        $path = $file($key);
        // As nginx names it: `levels=1:2` of the MD5.
        self::assertSame("{$this->folder}/pages/".substr(md5($key), 31).'/'.substr(md5($key), 29, 2).'/'.md5($key), $path);
        $this->change(['kind' => 'rename', 'page' => $page, 'name' => 'Timetables']);
        $forget->now();
        self::assertFileDoesNotExist($path);
        // What was on its way to be kept as it was forgotten goes with the next look.
        $file($key);
        $forget->rest();
        self::assertFileDoesNotExist($path);

        $paths = [];
        for ($i = 0; $i < 400; $i++) {
            $cache->keep($node->name, "http://ferries.test/$i", $this->site, ["p$page"], $cache->mark());
            $paths[] = $file("http://ferries.test/$i");
        }
        $this->change(['kind' => 'rename', 'page' => $page, 'name' => 'Departures']);
        $forget->now();
        self::assertFileExists("{$this->folder}/forgetting/ferries.test", 'Until they are gone, the site is not read from the cache.');
        $forget->rest();
        self::assertSame([], array_filter($paths, file_exists(...)));
        self::assertFileDoesNotExist("{$this->folder}/forgetting/ferries.test");
    }

    private function demo(): void
    {
        $this->site->forceDelete();
        $this->app->make(LoadDemoSite::class)->load(database_path('demo/ferries'), 'ferries');
        $this->site = Site::query()->where('key', 'ferries')->firstOrFail();
        $this->site->update(['origin' => 'http://ferries.test']);
        Membership::query()->where('site_id', $this->site->id)->where('user_id', $this->manager->id)->delete();
        Membership::begin($this->site, $this->manager, Role::OWNER);
    }

    /** @return iterable<string, \Closure(): mixed> */
    private function changes(): iterable
    {
        // By the seed: a collection's own choice is another at every run.
        $one = static fn (Collection $some): mixed => $some->values()[mt_rand(0, $some->count() - 1)];
        $any = fn (): Page => $one(
            Page::query()
                ->where('site_id', $this->site->id)
                ->where('state', 'live')
                ->where('id', '<>', $this->site->start_page_id)
                ->orderBy('id')
                ->get(),
        );
        $id = fn (): string => $any()->ulid;
        $made = $this->live('Season tickets', $id());
        $file = fn (): File => $one(File::query()->where('site_id', $this->site->id)->orderBy('id')->get());
        $menu = fn (): string => (string) $one(
            DB::table('menus')->where('site_id', $this->site->id)->whereNotNull('place')->orderBy('id')->pluck('ulid'),
        );
        $paragraph = static fn (string $text): array => ['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => $text]]];
        for ($round = 0; $round < 1; $round++) {
            yield "$round rename" => fn () => $this->change(['kind' => 'rename', 'page' => $id(), 'name' => "Renamed $round"]);
            yield "$round slug" => fn () => $this->change(['kind' => 'set-slug', 'page' => $id(), 'slug' => "moved-$round"]);
            yield "$round move" => fn () => $this->change(['kind' => 'move', 'pages' => [$id()], 'place' => ['first' => $id()]]);
            yield "$round offline" => fn () => $this->change(['kind' => 'take-offline', 'pages' => [$id()], 'scope' => 'page']);
            yield "$round unlisted" => fn () => $this->change(['kind' => 'unlist-page', 'pages' => [$id()]]);
            yield "$round bin" => fn () => $this->change(['kind' => 'put-in-bin', 'pages' => [$id()]]);
            yield "$round duplicate" => fn () => $this->live("One more $round", $id());
            yield "$round summary" => fn () => $this->change(
                ['kind' => 'describe', 'page' => $id(), 'summary' => "Another summary $round.", 'searchDescription' => "Described $round."],
                ['kind' => 'publish', 'pages' => [$id()]],
            );
            yield "$round tags" => fn () => $this->change(['kind' => 'tag', 'pages' => [$id()], 'add' => ['boats', "tag $round"]]);
            yield "$round further address" => fn () => $this->change([
                'kind' => 'add-address',
                'page' => $made,
                'address' => "/tickets-$round",
                'answer' => 'serve',
            ]);
            yield "$round layout" => fn () => $this->change(['kind' => 'describe', 'page' => $id(), 'layout' => 'section']);
            yield "$round content" => function () use ($id, $paragraph, $round): void {
                $page = $id();
                $this->saveContent($page, [$paragraph("New words $round.")]);
                $this->change(['kind' => 'publish', 'pages' => [$page]]);
            };
            yield "$round file" => fn () => $file()->update(['name' => "other-$round.png", 'alt' => "Other $round"]);
            yield "$round picture" => fn () => $this->change(['kind' => 'describe', 'page' => $id(), 'picture' => $file()->ulid]);
            yield "$round piece" => fn () => SharedPiece::query()->where('site_id', $this->site->id)->get()->each(
                fn (SharedPiece $piece) => $piece->update([
                    'document' => ['type' => 'doc', 'version' => 1, 'content' => [$paragraph("Piece $round")]],
                ]),
            );
            yield "$round menu" => fn () => $this->change(['kind' => 'add-to-menu', 'page' => $id(), 'menu' => $menu()]);
            yield "$round branch search" => fn () => $this->change([
                'kind' => 'set-branch-search',
                'page' => (string) $one($this->site->pages()->whereNull('parent_id')->orderBy('id')->pluck('ulid')),
                'titlePattern' => "{name} – $round",
            ]);
            yield "$round access" => fn () => $this->change([
                'kind' => 'set-access',
                'page' => $id(),
                'access' => ['to' => 'some', 'signedIn' => true, 'others' => 'missing'],
            ]);
            yield "$round in front" => fn () => $this->redirect([
                'source' => $any()->address,
                'answer' => '302',
                'leadsTo' => ['address' => '/'],
                'inFront' => true,
            ]);
            yield "$round site" => fn () => $this->site->update(['tagline' => "Tagline $round"]);
            yield "$round undone" => fn () => $this->api(
                'POST',
                'history/'.DB::table('history')->where('site_id', $this->site->id)->orderByDesc('id')->value('ulid').'/undo',
            );
        }
    }

    private function fill(): void
    {
        $pages = Page::query()->where('site_id', $this->site->id)->where('state', 'live')->orderBy('id')->pluck('address')->all();
        // One of three: the start page among them.
        $some = array_filter($pages, static fn (int $n): bool => $n % 3 === 0, ARRAY_FILTER_USE_KEY);
        $this->keep(...array_diff($some, array_keys($this->kept)));
    }

    private function keep(string ...$paths): void
    {
        foreach ($paths as $path) {
            $response = $this->asked($path);
            if (! str_contains((string) $response->headers->get('Cache-Control'), 'no-store')) {
                $this->kept[$path] = (string) gzdecode((string) $response->getContent());
            }
        }
    }

    /** @return array<string, string> what had to go, as it was */
    private function forget(): array
    {
        $gone = [];
        // Work in the background forgets as well, which goes on in between here.
        $this->app->make(PageCache::class)->forget(Node::here()->name);
        foreach (DB::table('cached_pages')->whereNotNull('forgotten_at')->pluck('key') as $key) {
            $path = substr($key, strlen('http://ferries.test'));
            if (isset($this->kept[$path])) {
                $gone[$path] = $this->kept[$path];
                unset($this->kept[$path]);
            }
        }

        DB::table('cached_pages')->whereNotNull('forgotten_at')->delete();

        return $gone;
    }

    /** For how long the web server in front may keep the answer; null for not at all. @param  array<string, string>  $cookies */
    private function keeps(string $path, array $cookies = []): ?string
    {
        $told = (string) $this->asked($path, cookies: $cookies)->headers->get('Cache-Control');

        return str_contains($told, 'no-store') ? null : $told;
    }

    /**
     * As nginx asks.
     *
     * @param  array<string, string>  $cookies
     * @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function asked(string $path, string $method = 'GET', array $cookies = []): \Illuminate\Testing\TestResponse
    {
        return $this->call(
            $method,
            'http://ferries.test'.$path,
            cookies: $cookies,
            server: ['REQUEST_URI' => $path, 'PAGE_KEY' => 'http://ferries.test'.$path],
        );
    }

    private function body(string $path): string
    {
        return (string) $this->visit($path)->getContent();
    }
}
