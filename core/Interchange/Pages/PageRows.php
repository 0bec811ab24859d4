<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Heronstem\Core\Interchange\Table;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Tree\Page;

/** Pages as rows of a table, with the heads under which PageTable reads them again: the same table edited elsewhere comes back as changes. */
final class PageRows
{
    /** Columns in the order in which they are written; fields of layouts follow. */
    public const COLUMNS = [
        PageColumn::Id,
        PageColumn::Address,
        PageColumn::Name,
        PageColumn::Heading,
        PageColumn::Slug,
        PageColumn::Kind,
        PageColumn::LeadsTo,
        PageColumn::Layout,
        PageColumn::State,
        PageColumn::Listed,
        PageColumn::Tags,
        PageColumn::Summary,
        PageColumn::Title,
        PageColumn::Description,
        PageColumn::SocialTitle,
        PageColumn::SocialDescription,
        PageColumn::Canonical,
        PageColumn::Index,
        PageColumn::Follow,
        PageColumn::Phrase,
        PageColumn::From,
        PageColumn::Until,
        PageColumn::Former,
        PageColumn::Markdown,
    ];

    /** Those of a table to fill in by hand, with rows that show how. */
    public const TEMPLATE = [
        ['address', 'name', 'heading', 'description', 'state', 'former addresses', 'markdown'],
        ['/travel', 'Travel', 'Travel with us', 'Routes, timetables and fares.', 'live', '/reise.html', 'Everything for your crossing.'],
        ['/travel/fares', 'Fares', '', '', 'draft', '', "## By bicycle\n\nBicycles cost nothing in winter."],
    ];

    /** @return list<string> */
    public static function heads(): array
    {
        return array_map(static fn (PageColumn $column): string => $column->value, self::COLUMNS);
    }

    /**
     * @param  list<string>  $former
     * @return list<string> cells in the order of COLUMNS
     */
    public static function cells(Page $page, array $former, string $markdown): array
    {
        $texts = $page->working();
        $flag = static fn (?bool $said): string => $said === null ? '' : ($said ? 'yes' : 'no');
        $canonical = $page->search->canonical->toText();

        return [
            $page->id,
            $page->address->readable(),
            $page->name,
            (string) $texts->heading,
            $page->slug->text,
            $page->kind->value,
            $page->leadsTo === null ? '' : ($page->leadsTo->kind === TargetKind::File ? 'file:' : '').$page->leadsTo->value,
            $page->layout,
            $page->state->value,
            $flag($page->listed),
            implode(', ', $page->tags->all),
            $texts->summary,
            $texts->searchTitle,
            $texts->searchDescription,
            $texts->socialTitle,
            $texts->socialDescription,
            $canonical === 'itself' ? '' : $canonical,
            $flag($page->search->own->index),
            $flag($page->search->own->follow),
            $page->search->targetPhrase,
            (string) $page->from?->iso(),
            (string) $page->until?->iso(),
            implode(' ', $former),
            $markdown,
        ];
    }

    public static function template(): string
    {
        return implode('', array_map(Table::csv(...), self::TEMPLATE));
    }
}
