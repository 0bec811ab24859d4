<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Heronstem\Core\Identity;
use Heronstem\Core\Interchange\Table;

/**
 * A table of pages: rows of cells, whose columns mean something by their heads or because somebody said so. A page stands where
 * its address says, under the page that its parent column names, or where the indent of its name or its level column says.
 */
final class PageTable
{
    /** Most cells of a row that are looked at. */
    public const MAX_COLUMNS = 200;

    private const YES = ['yes', 'true', '1', 'y', 'x', 'ja', 'oui', 'si', 'sí'];

    private const NO = ['no', 'false', '0', 'n', 'nein', 'non', 'noindex', 'nofollow', 'unlisted'];

    /** @var list<PageColumn|string> */
    public readonly array $columns;

    public readonly bool $hasHead;

    /** @var list<string> keys of the pages above, by level */
    private array $above = [];

    /**
     * @param  list<string>  $first  the first row that is not blank
     * @param  array<int, string>  $said  meanings that somebody chose, by number of the column; else what the head says
     */
    public function __construct(array $first, array $said = [])
    {
        $headed = array_map(PageColumn::headed(...), array_slice($first, 0, self::MAX_COLUMNS));
        $known = array_filter($headed, static fn (PageColumn|string $column): bool => $column !== PageColumn::Nothing);
        // A row of addresses and names is no head, also where one cell happens to be a word for a column.
        $this->hasHead =
            $known !== [] &&
            (count($known) * 2 >= count(array_filter($first, static fn (string $cell): bool => trim($cell) !== '')) || count($known) > 1) &&
            ! self::looksLikeRow($first);
        if (! $this->hasHead) {
            $headed = self::guessed($first);
        }
        foreach ($said as $i => $meaning) {
            if ($i >= 0 && $i < self::MAX_COLUMNS) {
                $headed = array_pad($headed, $i + 1, PageColumn::Nothing);
                $headed[$i] = str_starts_with($meaning, 'fields.')
                    ? PageColumn::headed($meaning)
                    : PageColumn::tryFrom($meaning) ?? PageColumn::Nothing;
            }
        }
        $this->columns = array_values($headed);
    }

    public function says(PageColumn $column): bool
    {
        return in_array($column, $this->columns, true);
    }

    /**
     * @param  iterable<int, list<string>>  $rows  by number of the line, the first among them
     * @return iterable<GivenPage>
     */
    public function pages(iterable $rows): iterable
    {
        $isHead = $this->hasHead;
        foreach ($rows as $line => $cells) {
            if (implode('', array_map(trim(...), $cells)) === '') {
                continue;
            }
            if ($isHead) {
                $isHead = false;

                continue;
            }
            yield $this->page("line $line", $cells);
        }
    }

    /** @param  list<string>  $cells */
    private function page(string $at, array $cells): GivenPage
    {
        $said = $former = $fields = [];
        $level = $levelName = null;
        $levels = -1;
        foreach ($this->columns as $i => $column) {
            $levels += $column === PageColumn::Level ? 1 : 0;
            if (! isset($cells[$i])) {
                continue;
            }
            $cell = Table::unguarded($cells[$i]);
            if (is_string($column)) {
                $fields[substr($column, 7)] = trim($cell);
            } elseif ($column === PageColumn::Level) {
                if (trim($cell) !== '') {
                    [$level, $levelName] = [$levels, trim($cell)];
                }
            } elseif ($column === PageColumn::Former) {
                array_push($former, ...preg_split('/[\s,;|]+/', $cell, -1, PREG_SPLIT_NO_EMPTY) ?: []);
            } elseif ($column !== PageColumn::Nothing) {
                $said[$column->value] ??=
                    $column === PageColumn::Name || $column === PageColumn::Markdown || $column === PageColumn::Html ? $cell : trim($cell);
            }
        }
        $page = $this->read($at, $said, $fields, $former);

        return match (true) {
            $level !== null => $this->indented($page->with(['name' => $levelName]), $level),
            $this->isIndented($said) => $this->indented($page, self::indent($said['name'] ?? '')),
            default => $page,
        };
    }

    /**
     * @param  array<string, string>  $said
     * @param  array<string, string>  $fields
     * @param  list<string>  $former
     */
    private function read(string $at, array $said, array $fields, array $former): GivenPage
    {
        $remarks = $settings = [];
        $word = static fn (PageColumn $column): ?string => ($said[$column->value] ?? '') === '' ? null : $said[$column->value];
        $texts = self::texts($said);
        foreach ([[PageColumn::Index, 'index'], [PageColumn::Follow, 'follow']] as [$column, $field]) {
            if ($word($column) !== null) {
                $flag = self::flag($word($column));
                $flag === null
                    ? ($remarks[] = Remark::of($column->value, "“{$word($column)}” is neither yes nor no; ignored."))
                    : ($settings[$field] = $flag);
            }
        }
        foreach ([[PageColumn::Canonical, 'canonical'], [PageColumn::Phrase, 'targetPhrase']] as [$column, $field]) {
            if (isset($said[$column->value])) {
                $settings[$field] = $said[$column->value];
            }
        }
        $id = $word(PageColumn::Id);
        if ($id !== null && ! Identity::names($id)) {
            $remarks[] = Remark::of('id', 'This is not the identity of a page (26 letters and digits): the address is used.');
        }
        $listed = $word(PageColumn::Listed) === null ? null : self::flag((string) $word(PageColumn::Listed));
        $tags = isset($said['tags'])
            ? array_values(
                array_filter(array_map(trim(...), preg_split('/[,;|]/', $said['tags']) ?: []), static fn (string $tag): bool => $tag !== ''),
            )
            : null;

        return new GivenPage(
            $at,
            id: $id !== null && Identity::names($id) ? $id : null,
            address: $word(PageColumn::Address),
            key: $word(PageColumn::Id) ?? ($word(PageColumn::Address) ?? trim($said['name'] ?? '')),
            parent: $word(PageColumn::Parent),
            hasPlace: isset($said['parent']) && ! (isset($said['address']) && $said['parent'] === ''),
            name: trim($said['name'] ?? '') === '' ? null : trim($said['name']),
            slug: $word(PageColumn::Slug),
            kind: $word(PageColumn::Kind) === null ? null : strtolower((string) $word(PageColumn::Kind)),
            leadsTo: $word(PageColumn::LeadsTo),
            layout: $word(PageColumn::Layout),
            texts: $texts,
            settings: $settings,
            fields: $fields,
            state: $word(PageColumn::State) === null ? null : strtolower((string) $word(PageColumn::State)),
            listed: $listed,
            from: $word(PageColumn::From),
            until: $word(PageColumn::Until),
            tags: $tags,
            content: self::content($said),
            former: $former,
            requests: (int) preg_replace('/\D/', '', mb_substr($said['requests'] ?? '', 0, 15)),
            remarks: $remarks,
        );
    }

    /**
     * @param  array<string, string>  $said
     * @return array<string, string>
     */
    private static function texts(array $said): array
    {
        $names = [
            'heading' => 'heading',
            'summary' => 'summary',
            'title' => 'searchTitle',
            'description' => 'searchDescription',
            'social title' => 'socialTitle',
            'social description' => 'socialDescription',
        ];
        $texts = [];
        foreach ($names as $column => $field) {
            if (isset($said[$column])) {
                $texts[$field] = $said[$column];
            }
        }

        return $texts;
    }

    /** @param  array<string, string>  $said */
    private static function content(array $said): ?GivenContent
    {
        return match (true) {
            trim($said['html'] ?? '') !== '' => new GivenContent(ContentForm::Html, $said['html']),
            trim($said['markdown'] ?? '') !== '' => new GivenContent(ContentForm::Markdown, $said['markdown']),
            default => null,
        };
    }

    /** @param  array<string, string>  $said */
    private function isIndented(array $said): bool
    {
        return ! $this->says(PageColumn::Address) && ! $this->says(PageColumn::Parent) && isset($said['name']) && trim($said['name']) !== '';
    }

    /** The page under the last one that stands further out. */
    private function indented(GivenPage $page, int $level): GivenPage
    {
        $level = min($level, count($this->above));
        $this->above = array_slice($this->above, 0, $level);
        $parent = $this->above[$level - 1] ?? null;
        $this->above[] = $key = $page->at;

        return $page->with([
            'key' => $key,
            'parent' => $parent,
            'hasPlace' => true,
            'name' => $page->name === null ? null : trim((string) preg_replace('/^[\s>.\x{2013}\x{2014}\x{2022}*-]+(?=\S)/u', '', $page->name)),
        ]);
    }

    /** Levels by what stands before a name: tabs, two or more spaces each, or signs such as `-` and `>`. */
    private static function indent(string $name): int
    {
        preg_match('/^([\s\x{00A0}]*)((?:[->.\x{2013}\x{2014}\x{2022}*]\s*)*)/u', $name, $of);
        $tabs = substr_count($of[1] ?? '', "\t");
        $spaces = mb_strlen(str_replace("\t", '', $of[1] ?? ''));
        $signs = (int) preg_match_all('/\S/u', $of[2] ?? '');

        return $tabs + $signs + ($tabs + $signs > 0 ? 0 : intdiv($spaces + 1, 2));
    }

    private static function flag(string $cell): ?bool
    {
        $cell = strtolower(trim($cell));

        return in_array($cell, self::YES, true) ? true : (in_array($cell, self::NO, true) ? false : null);
    }

    /** @param  list<string>  $cells */
    private static function looksLikeRow(array $cells): bool
    {
        return array_filter($cells, static fn (string $cell): bool => preg_match('#^(?:https?://|/)#i', trim($cell)) === 1) !== [];
    }

    /**
     * @param  list<string>  $first
     * @return list<PageColumn>
     */
    private static function guessed(array $first): array
    {
        $columns = [];
        foreach (array_slice($first, 0, self::MAX_COLUMNS) as $cell) {
            $columns[] = match (true) {
                preg_match('#^(?:https?://|/)#i', trim($cell)) === 1 && ! in_array(PageColumn::Address, $columns, true) => PageColumn::Address,
                trim($cell) !== '' && ! in_array(PageColumn::Name, $columns, true) => PageColumn::Name,
                default => PageColumn::Nothing,
            };
        }

        return $columns;
    }
}
