<?php

declare(strict_types=1);

namespace Tests\Core\Menu;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Linking\OwnAddress;
use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\EntryReader;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Menu\MenuFile;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Menu\PastedEntries;
use Heronstem\Core\Menu\ResolvedEntry;
use Heronstem\Core\Refusal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Entries as the API and files write them, and as people paste them. */
final class MenuFilesTest extends TestCase
{
    use TestTrait;

    private const TIMES = '01J00000000000000000000001';

    private const HELP = '01J00000000000000000000002';

    private const MENU = '01J00000000000000000000009';

    #[Test]
    public function what_is_written_is_what_was_read_whatever_the_entries_are(): void
    {
        $kinds = Generators::elements([
            ['kind' => 'page', 'page' => self::TIMES],
            ['kind' => 'page', 'page' => self::HELP, 'label' => 'Help & more', 'audience' => 'roles:crew'],
            ['kind' => 'heading', 'label' => 'Above'],
            ['kind' => 'url', 'url' => 'https://tides.example/a?b=c', 'label' => 'Tides', 'newWindow' => true, 'title' => 'Elsewhere'],
            ['kind' => 'address', 'address' => '/summer', 'label' => 'Summer'],
            ['kind' => 'branch', 'page' => self::TIMES, 'depth' => 2, 'order' => 'a-z', 'out' => [self::HELP]],
            ['kind' => 'branch', 'depth' => 1, 'order' => 'tree'],
            ['kind' => 'separator'],
            [
                'kind' => 'page',
                'page' => self::TIMES,
                'from' => '2027-05-01T06:00:00Z',
                'until' => '2027-09-30T23:00:00Z',
                'text' => 'On the card',
                'picture' => self::HELP,
            ],
        ]);
        $this->limitTo(200)
            ->forAll(Generators::vector(4, $kinds), Generators::vector(3, $kinds), Generators::choose(0, 3))
            ->then(function (array $top, array $below, int $under): void {
                if (! in_array($top[$under]['kind'], ['branch', 'separator'], true)) {
                    $top[$under]['entries'] = $below;
                }
                $first = $this->menu($top);
                $file = MenuFile::json($first, [self::TIMES => '/times']);
                $again = $this->menu(MenuFile::read($file, $this->pasted()));
                self::assertSame($this->plain($first), $this->plain($again));
                self::assertCount(count($first->entries), $first->inOrder());
            });
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function faults(): iterable
    {
        yield 'no kind' => [['label' => 'x'], 'entries.0.kind'];
        yield 'a kind that is none' => [['kind' => 'button'], 'entries.0.kind'];
        yield 'a page without identity' => [['kind' => 'page', 'page' => 'times'], 'entries.0.page'];
        yield 'a URL that is none' => [['kind' => 'url', 'url' => 'javascript:alert(1)', 'label' => 'x'], 'entries.0.url'];
        yield 'an address without slash' => [['kind' => 'address', 'address' => 'summer', 'label' => 'x'], 'entries.0.address'];
        yield 'a heading without label' => [['kind' => 'heading'], 'entries.0.label'];
        yield 'too long a label' => [
            [
                'kind' => 'heading',
                'label' => 'A label that goes on and on, and on and on, and then some more, until nobody reads it any more, least of all on a phone, where it fills the whole screen and pushes everything else below, out of sight and out of mind',
            ],
            'entries.0.label',
        ];
        yield 'too deep a branch' => [['kind' => 'branch', 'depth' => 9], 'entries.0.depth'];
        yield 'no order' => [['kind' => 'branch', 'order' => 'random'], 'entries.0.order'];
        yield 'something below a separator' => [['kind' => 'separator', 'entries' => [['kind' => 'separator']]], 'entries.0.entries'];
        yield 'an end before the beginning' => [
            ['kind' => 'page', 'page' => self::TIMES, 'from' => '2027-05-01', 'until' => '2027-04-01'],
            'entries.0.until',
        ];
        yield 'a moment that is none' => [['kind' => 'page', 'page' => self::TIMES, 'from' => 'in May'], 'entries.0.from'];
        yield 'an audience that is none' => [['kind' => 'page', 'page' => self::TIMES, 'audience' => 'friends'], 'entries.0.audience'];
        yield 'an identity that is none' => [['id' => 'x', 'kind' => 'separator'], 'entries.0.id'];
        yield 'a fault further in' => [
            ['kind' => 'heading', 'label' => 'x', 'entries' => [['kind' => 'page', 'page' => self::TIMES], ['kind' => 'nothing']]],
            'entries.0.entries.1.kind',
        ];
    }

    /** @param  array<string, mixed>  $entry */
    #[Test]
    #[DataProvider('faults')]
    public function a_fault_is_refused_at_its_place(array $entry, string $field): void
    {
        try {
            $this->menu([$entry]);
            self::fail('It was taken.');
        } catch (Refusal $refusal) {
            self::assertSame($field, $refusal->field);
        }
    }

    #[Test]
    public function a_menu_has_limits_and_no_identity_twice(): void
    {
        $deep = ['kind' => 'heading', 'label' => 'x'];
        for ($level = 0; $level < Menu::MAX_DEPTH; $level++) {
            $deep = ['kind' => 'heading', 'label' => 'x', 'entries' => [$deep]];
        }
        $twice = ['id' => self::HELP, 'kind' => 'separator'];
        foreach ([[$deep], [$twice, $twice], array_fill(0, Menu::MAX_ENTRIES + 1, ['kind' => 'separator'])] as $entries) {
            try {
                $this->menu($entries);
                self::fail('It was taken.');
            } catch (Refusal $refusal) {
                self::assertStringStartsWith('entries', $refusal->field);
            }
        }
    }

    #[Test]
    public function a_pasted_list_becomes_entries_matched_to_pages(): void
    {
        $entries = $this->pasted()->read(
            "Travel\n\t- Timetables\n\t- /TIMES/\n\t2. Fares: https://fares.example/list\n\t    Deeper\n---\n• https://www.tides.example/today\n/nowhere/at-all\nHelp us <https://ferries.example/times>\n",
        );
        self::assertSame(
            [
                [
                    'kind' => 'heading',
                    'label' => 'Travel',
                    'entries' => [
                        ['kind' => 'page', 'page' => self::TIMES, 'label' => 'Timetables'],
                        ['kind' => 'page', 'page' => self::TIMES],
                        [
                            'kind' => 'url',
                            'url' => 'https://fares.example/list',
                            'label' => 'Fares',
                            'entries' => [['kind' => 'heading', 'label' => 'Deeper']],
                        ],
                    ],
                ],
                ['kind' => 'separator'],
                ['kind' => 'url', 'url' => 'https://www.tides.example/today', 'label' => 'tides.example/today'],
                ['kind' => 'address', 'address' => '/nowhere/at-all', 'label' => '/nowhere/at-all'],
                ['kind' => 'page', 'page' => self::TIMES, 'label' => 'Help us'],
            ],
            $entries,
        );
    }

    #[Test]
    public function any_text_becomes_entries_that_can_be_read(): void
    {
        $line = Generators::elements([
            "\t",
            '  ',
            'Travel',
            '- ',
            "\u{a0}",
            '/times',
            '<a>',
            'https://x.example/y',
            '---',
            '1. One',
            "\xFF",
            '*',
            '|',
            'mailto:a@b.example',
        ]);
        $this->limitTo(300)
            ->forAll(Generators::vector(8, $line), Generators::vector(7, Generators::elements(["\n", '', ' '])))
            ->then(function (array $pieces, array $joints): void {
                $text = '';
                foreach ($pieces as $i => $piece) {
                    $text .= $piece.($joints[$i] ?? '');
                }
                try {
                    $this->menu($this->pasted()->read($text));
                } catch (Refusal $refusal) {
                    self::assertContains(preg_replace('/.*\./', '', $refusal->field), ['url', 'label', 'entries']);
                }
                $this->addToAssertionCount(1);
            });
    }

    #[Test]
    public function an_opml_outline_goes_out_and_comes_in(): void
    {
        $opml = MenuFile::opml(
            'Main & more',
            [
                new ResolvedEntry(
                    'a',
                    EntryKind::Heading,
                    null,
                    'Travel',
                    null,
                    under: [
                        new ResolvedEntry('b', EntryKind::Page, self::TIMES, 'Times', '/times'),
                        new ResolvedEntry('s', EntryKind::Separator, null, '', null),
                    ],
                ),
                new ResolvedEntry('c', EntryKind::Url, null, 'Tides', 'https://tides.example/'),
            ],
            'https://ferries.example',
        );
        $read = new \DOMDocument();
        self::assertTrue($read->loadXML($opml));
        self::assertSame(
            ['2.0', 'Main & more'],
            [$read->documentElement?->getAttribute('version'), $read->getElementsByTagName('title')->item(0)?->textContent],
        );
        self::assertSame(
            [
                ['kind' => 'heading', 'label' => 'Travel', 'entries' => [['kind' => 'page', 'page' => self::TIMES, 'label' => 'Times']]],
                ['kind' => 'url', 'url' => 'https://tides.example/', 'label' => 'Tides'],
            ],
            MenuFile::read($opml, $this->pasted()),
        );
    }

    #[Test]
    public function what_is_no_menu_file_is_refused_with_the_reason(): void
    {
        foreach (
            [
                '{"entries": []}',
                '{"format": "heronstem-menu", "version": 2, "entries": []}',
                '{',
                '<html></html>',
                '<opml><body>',
                '<!DOCTYPE opml [<!ENTITY x SYSTEM "file:///etc/passwd">]><opml><body><outline text="&x;"/></body></opml>',
            ] as $file
        ) {
            try {
                MenuFile::read($file, $this->pasted());
                self::fail("Taken: $file");
            } catch (Refusal $refusal) {
                self::assertSame('file', $refusal->field);
            }
        }
    }

    #[Test]
    public function pages_of_a_file_from_another_site_are_found_by_their_address(): void
    {
        $file = json_encode([
            'format' => MenuFile::FORMAT,
            'version' => 1,
            'entries' => [
                ['kind' => 'page', 'page' => self::HELP, 'at' => '/times'],
                ['kind' => 'branch', 'depth' => 1, 'out' => ['/times', self::HELP]],
            ],
        ]);
        $read = MenuFile::read((string) $file, $this->pasted());
        self::assertSame(self::TIMES, $read[0]['page']);
        self::assertSame([self::TIMES, self::HELP], $read[1]['out']);
    }

    /** @param  array<mixed>  $entries */
    private function menu(array $entries): Menu
    {
        $read = (new EntryReader(new AddressRules(), 'Europe/London', self::MENU))->read($entries);

        return new Menu(self::MENU, 'Main', MenuKind::Menu, null, array_column($read, null, 'id'));
    }

    private function pasted(): PastedEntries
    {
        return new PastedEntries(
            new OwnAddress(new AddressRules(), 'https://ferries.example'),
            static fn (string $key): ?string => $key === '/times' ? self::TIMES : null,
            static fn (string $name): ?string => $name === 'Timetables' ? self::TIMES : null,
        );
    }

    /** @return list<array<string, mixed>> entries in order, without their identities */
    private function plain(Menu $menu): array
    {
        $order = array_map(static fn (Entry $entry): string => $entry->id, $menu->inOrder());

        return array_map(
            static fn (Entry $entry): array => [
                'id' => null,
                'parent' => $entry->parent === null ? null : array_search($entry->parent, $order, true),
            ] + $entry->toArray(),
            $menu->inOrder(),
        );
    }
}
