<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

use Heronstem\Core\Content\HtmlWriter;
use Heronstem\Core\Content\ListedPage;
use Heronstem\Core\Tree\Tags;

/** Pages as cards or as a list: those in a branch, those with a tag, those that were picked for a place, or chosen ones. */
final readonly class Pages implements BlockKind
{
    /** Most pages of one list. */
    public const MOST = 60;

    public function type(): string
    {
        return 'pages';
    }

    public function fits(Room $room): bool
    {
        return $room !== Room::Cell;
    }

    public function read(ReadNode $node): array
    {
        $attributes = $node->attributes();
        $from = $attributes->choice(
            'from',
            ['branch', 'tag', 'picks', 'chosen'],
            'Pages come from a branch, have a tag, come from picks, or are chosen one by one.',
        );

        return [
            'attrs' => [
                'from' => $from,
                ...match ($from) {
                    'branch' => ['branch' => ['page' => $attributes->within('branch')->identity('page')], ...self::order($attributes)],
                    'tag' => ['tag' => $attributes->needed('tag', 'Say which tag the pages have.', Tags::LONGEST), ...self::order($attributes)],
                    'picks' => ['picks' => self::picks($attributes)],
                    default => [
                        'chosen' => array_map(
                            static fn (Attributes $each): array => ['page' => $each->identity('page')],
                            $attributes->each('chosen', 1, self::MOST),
                        ),
                    ],
                },
                'view' => $attributes->choice('view', ['cards', 'list'], 'Pages are shown as cards or as a list.'),
                'most' => $attributes->whole('most', 1, self::MOST, 12),
            ],
        ];
    }

    public function html(array $block, OwnAttributes $own, HtmlWriter $to): string
    {
        $pages = array_slice($to->lists->pages($block['attrs']), 0, $block['attrs']['most']);
        $view = $block['attrs']['view'];
        $items = array_map(static fn (ListedPage $page): string => $view === 'cards' ? self::card($page) : self::line($page), $pages);

        return $to->element('ul', $own->with($view === 'cards' ? 'cards' : 'page-list'), implode('', $items));
    }

    private static function card(ListedPage $page): string
    {
        $picture =
            $page->picture === null ? '' : '<img src="'.HtmlWriter::escape($page->picture).'" alt="" width="480" height="270" loading="lazy">';

        return "<li>$picture".self::anchor($page).($page->text === '' ? '' : '<p>'.HtmlWriter::escape($page->text).'</p>').'</li>';
    }

    private static function line(ListedPage $page): string
    {
        return '<li>'.self::anchor($page).($page->text === '' ? '' : ' <span>'.HtmlWriter::escape($page->text).'</span>').'</li>';
    }

    private static function anchor(ListedPage $page): string
    {
        return '<a href="'.HtmlWriter::escape($page->address).'">'.HtmlWriter::escape($page->name).'</a>';
    }

    /** @return array<string, string> */
    private static function order(Attributes $attributes): array
    {
        $order = (string) $attributes->choice(
            'order',
            ['tree', 'newest', 'name', 'field'],
            'Pages stand as in the outline, the newest first, from A to Z, or by a field.',
        );
        if ($order !== 'field') {
            return ['order' => $order];
        }
        $field = $attributes->needed('field', 'Say by which field the pages are ordered.', 41);

        return preg_match('/^-?[a-z][A-Za-z0-9]{0,39}$/D', $field) === 1
            ? ['order' => $order, 'field' => $field]
            : throw $attributes->refusal('field', 'This is the key of a field, with a hyphen before it for the highest first.', 'price');
    }

    private static function picks(Attributes $attributes): string
    {
        $place = $attributes->needed('picks', 'Say for which place the pages were picked.', 60);

        return preg_match('/^[a-z][a-z0-9-]*$/D', $place) === 1
            ? $place
            : throw $attributes->refusal('picks', 'There is no such place for picks.', 'front');
    }
}
