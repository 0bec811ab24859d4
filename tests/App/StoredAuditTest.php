<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\Resolvers;
use App\Store\AuditWriter;
use App\Store\StoredAudit;
use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Audit\AuditedPage;
use Heronstem\Core\Audit\AuditIndex;
use Heronstem\Core\Audit\Fingerprint;
use Heronstem\Core\Audit\PhraseUse;
use Heronstem\Core\Tree\Canonical;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Test;
use Tests\Core\Audit\MemoryAudit;
use Tests\Core\Audit\Pages;

/** The audit's ports over PostgreSQL answer as the plain ones in memory do, asked one by one or many at once. */
final class StoredAuditTest extends AppTestCase
{
    use TestTrait;

    #[Test]
    public function the_stored_ports_answer_as_those_in_memory(): void
    {
        $ids = array_map(fn (int $n): string => $this->draft("Page $n"), range(0, 5));
        $numbers = array_map(fn (string $id): int => $this->row($id)->id, $ids);
        $this->limitTo(60)
            ->forAll(Generators::choose(0, 1_000_000))
            ->then(function (int $seed) use ($ids, $numbers): void {
                mt_srand($seed);
                $choices = static fn (): array => array_map(static fn (): int => mt_rand(0, 11), range(0, 6));
                $pages = array_map(static fn (int $n): AuditedPage => self::made($ids, $n, $choices()), range(0, 5));
                $memory = MemoryAudit::of(...$pages);
                $this->app->make(AuditWriter::class)->facts($this->site, array_combine($numbers, $pages));
                $this->compared($pages, $memory, $this->stored());
                $prepared = $this->stored();
                $prepared->expect($pages);
                $this->compared($pages, $memory, $prepared);
                $edited = $this->stored();
                $edited->expectEdits(array_column($pages, null, 'id'), []);
                $this->compared($pages, $memory, $edited);
            });
    }

    #[Test]
    public function what_is_known_of_a_page_goes_with_it(): void
    {
        $id = $this->draft('Page');
        $number = $this->row($id)->id;
        $writer = $this->app->make(AuditWriter::class);
        $page = Pages::page($id, links: [$id]);
        $writer->facts($this->site, [$number => $page]);
        self::assertEquals([$id => $page], $writer->known($this->site, [$id]));
        $writer->facts($this->site, [$number => null]);
        self::assertSame([], $writer->known($this->site, [$id]));
        self::assertSame([0, 0, 0], [DB::table('audit_pages')->count(), DB::table('audit_keys')->count(), DB::table('findings')->count()]);
    }

    private function stored(): StoredAudit
    {
        return new StoredAudit(DB::connection(), $this->site, $this->app->make(Resolvers::class)->for($this->site));
    }

    /** @param  list<AuditedPage>  $pages */
    private function compared(array $pages, MemoryAudit $memory, StoredAudit $stored): void
    {
        foreach ($pages as $page) {
            foreach ($page->keys() as $key) {
                self::assertSame($memory->isShared($key, $page->id), $stored->isShared($key, $page->id), $key);
                $this->same(static fn (AuditIndex $index): iterable => $index->asking($key, $page->id), $memory, $stored, "asking $key");
            }
            if ($page->fingerprint !== 0) {
                self::assertSame($memory->hasNear($page->fingerprint, $page->id), $stored->hasNear($page->fingerprint, $page->id), 'near');
                $this->same(
                    static fn (AuditIndex $index): iterable => $index->near($page->fingerprint, $page->id),
                    $memory,
                    $stored,
                    'nearly the same',
                );
            }
            self::assertEquals($memory->page($page->id), $stored->page($page->id));
            $this->same(
                static fn (AuditIndex $index): iterable => array_diff([...$index->namingPage($page->id)], [$page->id]),
                $memory,
                $stored,
                'naming the page',
            );
            $this->same(static fn (AuditIndex $index): iterable => $index->namingAddresses([$page->address]), $memory, $stored, 'naming its address');
        }
        self::assertNull($stored->page('01J0000000000000000000N0NE'));
    }

    /** @param  \Closure(AuditIndex): iterable<string>  $ask */
    private function same(\Closure $ask, MemoryAudit $memory, StoredAudit $stored, string $what): void
    {
        $of = static fn (AuditIndex $index): array => array_values(array_unique([...$ask($index)]));
        self::assertEqualsCanonicalizing($of($memory), $of($stored), $what);
    }

    /**
     * @param  list<string>  $ids
     * @param  list<int>  $choices
     */
    private static function made(array $ids, int $n, array $choices): AuditedPage
    {
        $one = static fn (int $which, mixed ...$of): mixed => $of[$choices[$which] % count($of)];
        $others = array_values(array_diff($ids, [$ids[$n]]));
        $print = Fingerprint::of(implode(' ', array_map(static fn (int $word): string => "word$word", range(1, 60))));

        return Pages::page(
            $ids[$n],
            title: $one(0, 'Fares', 'FARES ', 'Boats'),
            heading: $one(1, 'One', 'Other'),
            description: $one(2, '', 'Same.', 'Own.'),
            address: $one(3, '/a', '/b', "/p$n"),
            isLive: $one(4, true, true, false),
            index: $one(5, true, true, false),
            canonical: Canonical::read($one(6, 'itself', 'itself', ...$others)),
            links: $one(0, [], [$others[0]], [$others[1], $others[2]]),
            rawLinks: $one(1, [], ['/a'], ['/b', '/x']),
            fingerprint: $one(2, 0, $print, $print ^ 0b101, $print ^ 0b11111),
            phrase: $one(3, null, new PhraseUse('ferry'), new PhraseUse('Ferry ')),
        );
    }
}
