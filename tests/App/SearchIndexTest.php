<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\Audit\AuditSite;
use App\Desk\SearchSite;
use Heronstem\Core\Search\SearchWords;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;

/** What the site's own search finds after random edits: exactly the pages that visitors may find and that have the words. */
final class SearchIndexTest extends AppTestCase
{
    private const WORDS = ['harbour', 'pier', 'wren', 'otter', 'lantern', 'granite', 'kelp', 'beacon'];

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        foreach ([1, 2, 3] as $seed) {
            yield "seed $seed" => [$seed];
        }
    }

    #[Test, DataProvider('seeds')]
    public function after_random_edits_each_word_finds_the_pages_that_have_it_and_no_other(int $seed): void
    {
        mt_srand($seed);
        $pages = [];
        foreach (range(1, 6) as $n) {
            $pages[$this->live("Page $n")] = ['text' => '', 'live' => true, 'listed' => true, 'in' => true];
        }
        $ids = array_keys($pages);
        for ($step = 0; $step < 14; $step++) {
            $id = $ids[mt_rand(0, 5)];
            $page = $pages[$id];
            switch (mt_rand(0, 4)) {
                case 0:
                case 1:
                    $text = implode(' ', array_map(static fn (): string => self::WORDS[mt_rand(0, 7)], range(1, mt_rand(1, 4))));
                    $this->saveContent($id, [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => $text]]]]);
                    $page['live'] && $this->api('POST', "pages/$id/publish");
                    $pages[$id]['text'] = $text;
                    break;
                case 2:
                    $this->change(['kind' => $page['live'] ? 'take-offline' : 'go-live', 'page' => $id]);
                    $pages[$id]['live'] = ! $page['live'];
                    break;
                case 3:
                    $this->change(['kind' => $page['listed'] ? 'unlist-page' : 'list-page', 'page' => $id]);
                    $pages[$id]['listed'] = ! $page['listed'];
                    break;
                default:
                    $this->change(['kind' => 'set-search', 'page' => $id, 'inSiteSearch' => $page['in'] ? false : null]);
                    $pages[$id]['in'] = ! $page['in'];
            }
            // Sometimes nobody has looked yet: what visitors must not find is not found all the same.
            $isSettled = mt_rand(0, 2) > 0;
            $isSettled && $this->app->make(AuditSite::class)->run($this->site->refresh());
            foreach (self::WORDS as $word) {
                $may = array_keys(
                    array_filter(
                        $pages,
                        static fn (array $each): bool => $each['live'] && $each['listed'] && $each['in'] && str_contains($each['text'], $word),
                    ),
                );
                $found = $this->found($word);
                $isSettled
                    ? self::assertEqualsCanonicalizing($may, $found, "$word after step $step")
                    : self::assertSame(
                        [],
                        array_diff(
                            $found,
                            array_keys(array_filter($pages, static fn (array $each): bool => $each['live'] && $each['listed'] && $each['in'])),
                        ),
                    );
            }
        }
    }

    #[Test]
    public function looking_at_all_anew_leaves_the_index_as_it_is(): void
    {
        $page = $this->live('Fares');
        $this->saveContent($page, [['type' => 'heading', 'attrs' => ['level' => 2], 'content' => [['type' => 'text', 'text' => 'Cars']]]]);
        $this->api('POST', "pages/$page/publish")->assertSuccessful();
        $audit = $this->app->make(AuditSite::class);
        $audit->run($this->site->refresh());
        $read = fn (): array => DB::select('select page_id, vector::text, description, body from search_pages order by 1');
        $before = $read();
        self::assertStringContainsString("'car':2B 'fare':1A", $before[0]->vector);
        $audit->expectAll($this->site);
        $audit->run($this->site);
        self::assertEquals($before, $read());
    }

    #[Test]
    public function a_page_of_any_size_is_taken(): void
    {
        $page = $this->live('Long');
        $words = implode(' ', array_map(static fn (int $n): string => base_convert((string) ($n * 7919 + 123_456_789), 10, 36), range(1, 20_000)));
        $paragraphs = array_map(
            static fn (string $text): array => ['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => $text]]],
            str_split($words, 9000),
        );
        $this->saveContent($page, $paragraphs);
        $this->api('POST', "pages/$page/publish")->assertSuccessful();
        $this->app->make(AuditSite::class)->run($this->site->refresh());
        self::assertSame([$page], $this->found(explode(' ', $words)[100]));
    }

    #[Test]
    public function a_site_without_a_known_language_is_searched_by_whole_words(): void
    {
        $this->site->update(['language' => 'gd']);
        $page = $this->live('Aiseagan');
        $this->app->make(AuditSite::class)->run($this->site->refresh());
        self::assertSame([$page], $this->found('aiseagan'));
        $german = $this->live('Häfen und Fähren');
        $this->site->update(['language' => 'de']);
        $this->app->make(AuditSite::class)->expectAll($this->site);
        $this->app->make(AuditSite::class)->run($this->site->refresh());
        self::assertSame([$german], $this->found('fähre'));
        self::assertSame([$german], $this->found('hafen'));
    }

    /** @return list<string> identities */
    private function found(string $asked): array
    {
        $found = $this->app->make(SearchSite::class)->for($this->site->refresh(), SearchWords::of($asked), 1);

        return $found->outcome === 'found'
            ? array_map(
                fn (array $page): string => (string) DB::table('pages')
                    ->where('site_id', $this->site->id)
                    ->where('address', $page['address'])
                    ->value('ulid'),
                $found->pages,
            )
            : [];
    }
}
