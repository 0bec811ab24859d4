<?php

declare(strict_types=1);

namespace Tests\Core\Interchange\Pages;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\TrailingSlash;
use Heronstem\Core\Change\BringIn;
use Heronstem\Core\Change\Change;
use Heronstem\Core\Change\ChangeInput;
use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\Identity;
use Heronstem\Core\Interchange\Pages\BringOptions;
use Heronstem\Core\Interchange\Pages\BroughtAs;
use Heronstem\Core\Interchange\Pages\GivenPage;
use Heronstem\Core\Interchange\Pages\PlacedPage;
use Heronstem\Core\Interchange\Pages\Placement;
use Heronstem\Core\Interchange\Pages\Remark;
use Heronstem\Core\Interchange\Pages\SiteRecord;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Workspace\Authority;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\Invariants;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RandomChanges;

/** Any site, written as records and read into a blank one, is the same site. */
final class SiteFileLawsTest extends TestCase
{
    use TestTrait;

    private const SEED = '01JBR0VGHT0000000000000001';

    protected function setUp(): void
    {
        $this->shrinkingTimeLimit(30);
    }

    #[Test]
    public function a_site_taken_out_and_brought_in_elsewhere_is_the_same_site(): void
    {
        $rules = Generators::elements([
            new AddressRules(),
            new AddressRules(trailingSlash: TrailingSlash::Always),
            new AddressRules(suffix: '.html'),
        ]);
        $this->limitTo(400)
            ->forAll($rules, RandomChanges::batches())
            ->then(function (AddressRules $rules, array $batches): void {
                $site = new MemorySite($rules);
                $site->authority = Authority::Owner;
                $site->startPage = 'Home';
                foreach (['Home' => null, 'Help' => null, 'Times' => 'Help', 'Travel' => null, 'Fares' => 'Travel'] as $name => $parent) {
                    $site->live($name, $parent);
                }
                $site->draft('Hidden');
                $site->live('Below', 'Hidden');
                foreach ($batches as $steps) {
                    $ripple = RandomChanges::planned($site, $steps);
                    $ripple === null ?: $site->carryOut($ripple);
                }
                $records = self::records($site);
                $copy = new MemorySite($rules);
                $this->bringIn($copy, $records);
                self::assertSame(self::comparable($records), self::comparable(self::records($copy)));
                Invariants::hold($copy, []);
            });
    }

    /** @param  list<array<string, mixed>>  $records */
    private function bringIn(MemorySite $site, array $records): void
    {
        $given = array_map(static fn (array $record): GivenPage => SiteRecord::read($record, "page {$record['id']}"), $records);
        $placed = (new Placement($site->context(), $site, $site, new BringOptions(as: BroughtAs::Given, keepsAddresses: false)))->of(
            $given,
            self::SEED,
        );
        foreach ($placed->pages as $page) {
            self::assertSame(
                [],
                array_filter($page->remarks, static fn (Remark $remark): bool => $remark->refuses),
                (string) json_encode([$page->given->toArray(), array_map(static fn (Remark $remark): array => $remark->toArray(), $page->remarks)]),
            );
        }
        if ($placed->brought === []) {
            return;
        }
        $further = array_merge([], ...array_map(static fn (PlacedPage $page): array => self::further($page, $site->rules), $placed->pages));
        $change = BringIn::read(new ChangeInput(['kind' => 'bring-in', 'import' => self::SEED], $site->rules))->with(
            $placed->brought,
            $further,
            $placed->startPage,
        );
        $site->authority = Authority::Owner;
        $site->apply($change);
    }

    /** @return list<Change> */
    private static function further(PlacedPage $page, AddressRules $rules): array
    {
        $said = array_map(static fn (array $change): array => [...$change, 'page' => $page->id], $page->given->then);

        return $said === [] ? [] : (new ChangeReader($rules))->batch($said)->changes;
    }

    /** @return list<array<string, mixed>> parents before their children, siblings in order, identities as any site may have them */
    private static function records(MemorySite $site): array
    {
        $pages = array_filter($site->pages, static fn (Page $page): bool => ! $page->isBinned());
        $level = static function (Page $page) use (&$level, $pages): int {
            return $page->parent === null ? 0 : 1 + $level($pages[$page->parent]);
        };
        uasort($pages, static fn (Page $a, Page $b): int => [$level($a), $a->position, $a->id] <=> [$level($b), $b->position, $b->id]);
        $names = [];
        foreach ($site->pages as $page) {
            $names[$page->id] = Identity::names($page->id) ? $page->id : Identity::derived(self::SEED, $page->id);
        }
        $records = [];
        foreach ($pages as $page) {
            $claims = array_filter($site->claims, static fn (Claim $claim): bool => $claim->page === $page->id);
            ksort($claims);
            $of = static fn (ClaimKind $kind): array => array_values(
                array_map(
                    static fn (Claim $claim): string => $claim->address->path,
                    array_filter($claims, static fn (Claim $claim): bool => $claim->kind === $kind && $claim->heldFor === null),
                ),
            );
            // Whom visitors would not get is made nobody's start page.
            $start =
                $site->startPage === $page->id
                    ? 'visitors'
                    : ($site->startPageSignedIn === $page->id && $page->isLive() && $page->kind === PageKind::Page
                        ? 'signed-in'
                        : null);
            $record = SiteRecord::write($page, null, null, $of(ClaimKind::Redirect), $of(ClaimKind::Also), $start);
            array_walk_recursive($record, static function (mixed &$value, int|string $key) use ($names): void {
                if (is_string($value) && in_array($key, ['id', 'parent', 'page', 'file', 'canonical'], true)) {
                    $value = $names[$value] ?? ($key === 'file' && ! Identity::names($value) ? Identity::derived(self::SEED, $value) : $value);
                }
            });
            if (($record['heading'] ?? null) === $record['name']) {
                unset($record['heading']); // it follows the name again
            }
            if (
                ($record['kind'] ?? '') === 'pointer' &&
                isset($record['leadsTo']['page']) &&
                ! in_array($record['leadsTo']['page'], array_map(static fn (Page $each): string => $names[$each->id], $pages), true)
            ) {
                // What it leads to stays in the bin.
                $record['kind'] = 'section';
                unset($record['leadsTo']);
            }
            $records[] = json_decode(json_encode($record, JSON_THROW_ON_ERROR), true);
        }

        return $records;
    }

    /**
     * @param  list<array<string, mixed>>  $records
     * @return array<string, mixed>
     */
    private static function comparable(array $records): array
    {
        $by = [];
        foreach ($records as $record) {
            $by[(string) $record['id']] = $record;
        }
        ksort($by);

        return $by;
    }
}
