<?php

declare(strict_types=1);

namespace Tests\Core\Search;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Search\EffectiveSearch;
use Heronstem\Core\Search\SettingScope;
use Heronstem\Core\Search\SettingSource;
use Heronstem\Core\Search\SiteSearch;
use Heronstem\Core\Search\SiteSearchDifference;
use Heronstem\Core\Tree\SearchDefaults;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What a page inherits: the nearest that says it, of the page itself, its branches, its layout and the site. */
final class SiteSearchTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function the_nearest_that_says_it_decides_field_by_field(): void
    {
        $flag = Generators::elements(true, false, null);
        $this->forAll(Generators::vector(4, $flag), Generators::vector(4, Generators::elements(null, 0, 3, 10)))->then(function (
            array $flags,
            array $priorities,
        ): void {
            $scopes = [
                new SettingSource(SettingScope::Own),
                new SettingSource(SettingScope::Branch, 'near', 'Near'),
                new SettingSource(SettingScope::Branch, 'far', 'Far'),
                new SettingSource(SettingScope::Site),
            ];
            $effective = EffectiveSearch::of(
                array_map(static fn (int $n): array => [$scopes[$n], new SearchDefaults(index: $flags[$n], priority: $priorities[$n])], range(0, 3)),
            );
            $first = static function (array $values): ?int {
                foreach ($values as $n => $value) {
                    if ($value !== null) {
                        return $n;
                    }
                }

                return null;
            };
            $byFlag = $first($flags);
            self::assertSame($byFlag === null ? true : $flags[$byFlag], $effective->index());
            self::assertEquals($byFlag === null ? new SettingSource(SettingScope::Default) : $scopes[$byFlag], $effective->source('index'));
            $byPriority = $first($priorities);
            self::assertSame($byPriority === null ? null : $priorities[$byPriority], $effective->priority());
            self::assertTrue(
                $effective->follow() && $effective->inSitemap(),
                'Where nobody says anything, everything is allowed.',
            );
        });
    }

    #[Test]
    public function it_is_kept_and_read_again(): void
    {
        $site = (new SiteSearch())
            ->withDefaults(['titlePattern' => '{name} · {site}', 'priority' => 0.4], null)
            ->withDefaults(['index' => false], 'section')
            ->withRobots("User-agent: *\nDisallow: /crew");
        self::assertEquals($site, SiteSearch::stored($site->toText()));
        self::assertSame('[]', (new SiteSearch())->toText());
        self::assertEquals(new SiteSearch(), SiteSearch::stored(null));
        self::assertSame(['section'], array_keys($site->layouts));
        self::assertSame([], $site->withDefaults(['index' => null], 'section')->layouts, 'A layout that says nothing is none.');
    }

    #[Test]
    public function two_states_differ_only_where_they_say_something_else(): void
    {
        $one = (new SiteSearch())->withDefaults(['index' => false], null);
        self::assertNull(SiteSearchDifference::between($one, SiteSearch::stored($one->toText())));
        $difference = SiteSearchDifference::between(new SiteSearch(), $one);
        self::assertNotNull($difference);
        self::assertEquals($difference, SiteSearchDifference::fromArray(json_decode((string) json_encode($difference->toArray()), true)));
        self::assertNull(SiteSearchDifference::fromArray(null));
    }
}
