<?php

declare(strict_types=1);

namespace App\Desk\Design;

use App\Desk\ListPages;
use App\Models\Page;
use App\Models\Site;
use App\Store\MadeOf;
use Heronstem\Core\Content\Collection\Item;
use Heronstem\Core\Content\Collection\ItemList;
use Heronstem\Core\Content\Collection\ListTerms;
use Heronstem\Core\Content\Layout\FieldKind;
use Heronstem\Core\Content\Layout\ItemFields;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Content\Layout\LayoutField;
use Heronstem\Core\Tree\FieldValues;
use Illuminate\Database\Eloquent\Builder;

/** Lists what is in a group of a collection: items in its branch, and those that say that they belong to it as well. */
final readonly class ShowCollection
{
    /** Items on one page of a listing. */
    private const AT_ONCE = 48;

    /** Items that one listing takes. */
    private const MOST = 5000;

    /** To which pictures on cards are cropped. */
    private const CARD = 3 / 2;

    public function __construct(private ReadLayouts $layouts, private PlacedLayouts $placed, private ListPages $lists)
    {
    }

    /**
     * @param  list<Page>  $above  from the top down
     * @param  ShownFields  $own  what the group says of itself
     * @param  array<mixed>  $query  of the address
     * @param  bool  $live  as visitors have the fields of items; not, as those who write do
     * @return ShownCollection|null null where the page is no group
     */
    public function of(Page $group, Site $site, array $above, ShownFields $own, array $query, bool $live): ?ShownCollection
    {
        if ($this->layouts->of($group->layout)->definition() === null) {
            return null;
        }
        $items = array_filter($this->layouts->all()->all, static fn (Layout $layout): bool => $layout->fieldsFrom === $group->layout);
        if ($items === []) {
            return null;
        }
        $item = $this->placed->inside($group, reset($items), $live);
        $given = array_values(array_filter($item->fields, static fn (LayoutField $field): bool => $field->kind !== FieldKind::Rows));
        $all = $this->items($site, $group, array_map(strval(...), array_keys($items)), $given, $own->choice('order'));
        $terms = ListTerms::read($given, $query);
        $sorted = $terms->sort === null ? self::byDefault($given, $terms, $own) : $terms;
        $found = (new ItemList($given, $site->language))->of($all, $sorted);
        $last = max(1, (int) ceil(count($found) / self::AT_ONCE));
        $terms = $terms->onPage(min($terms->page, $last));
        $shown = array_slice($found, ($terms->page - 1) * self::AT_ONCE, self::AT_ONCE);
        $pages = Page::query()->whereIn('ulid', array_column($shown, 'id'))->get()->keyBy('ulid');
        $shown = array_values(array_filter(array_map(static fn (Item $one): ?Page => $pages[$one->id] ?? null, $shown)));

        $said = [];
        foreach ($given as $field) {
            $said[$field->key] = self::said($field, $all);
        }

        return new ShownCollection(
            $this->lists->below($site, [...$above, $group], layout: $group->layout),
            self::shown($shown, $item, $site),
            array_values(array_filter($given, static fn (LayoutField $field): bool => self::isColumn($field) && $said[$field->key] > 0)),
            array_values(array_filter($given, static fn (LayoutField $field): bool => self::tellsApart($field, $said[$field->key]))),
            $terms,
            $sorted,
            $own->choice('show') === 'table',
            count($all),
            count($found),
            $last,
            $group->address,
        );
    }

    /**
     * @param  list<Page>  $pages
     * @return list<ShownItem>
     */
    private static function shown(array $pages, Layout $layout, Site $site): array
    {
        $values = array_map(static fn (Page $page): array => $layout->taken($page->liveTexts()->fields->values), $pages);
        $sources = new FieldSources(new FieldValues(['items' => $values]), $site);

        return array_map(
            static function (Page $page, array $values) use ($layout, $sources): ShownItem {
                $fields = new ShownFields($layout->fields, $values, $sources);

                return new ShownItem($page->name, $page->address, $page->summary, $fields->firstPicture(self::CARD), $fields);
            },
            $pages,
            $values,
        );
    }

    /**
     * @param  list<string>  $layouts
     * @param  list<LayoutField>  $fields
     * @return list<Item> in the order of the tree or the newest first
     */
    private function items(Site $site, Page $group, array $layouts, array $fields, ?string $order): array
    {
        MadeOf::anyCard();
        $also = json_encode(['values' => [ItemFields::ALSO_IN => [[ItemFields::GROUP => ['page' => $group->ulid]]]]], JSON_THROW_ON_ERROR);

        // Thousands may be looked at, of which few are shown: of the others only what tells them apart is read.
        $rows = Page::query()
            ->where('site_id', $site->id)
            ->whereIn('layout', $layouts)
            ->where('listed', true)
            ->whereRaw('is_visible(state, from_at, until_at) and (gate_id is null or gate_id in (select open_gate()))')
            ->where(static fn (Builder $query) => $query->whereRaw('path <@ ?::ltree', [$group->path])->orWhereRaw('fields @> ?::jsonb', [$also]))
            ->when($order === 'newest', static fn (Builder $query) => $query->orderByRaw('coalesce(from_at, live_since) desc nulls last'))
            ->orderByRaw(ListPages::PLACE)
            ->limit(self::MOST)
            ->toBase()
            ->get(['ulid', 'name', 'fields'])
            ->all();

        return array_values(
            array_map(static fn (\stdClass $row): Item => Item::of($row->ulid, $row->name, $fields, FieldValues::stored($row->fields)->values), $rows),
        );
    }

    /** @param  list<LayoutField>  $fields */
    private static function byDefault(array $fields, ListTerms $terms, ShownFields $own): ListTerms
    {
        return match ($own->choice('order')) {
            'name' => $terms->sortedBy(ListTerms::NAME),
            'field' => $terms->sortedBy(ListTerms::read($fields, ['sort' => $own->show('orderField')])->sortKey()),
            default => $terms,
        };
    }

    /** Whether a field stands in a table: short texts and figures do, pictures have a place of their own. */
    private static function isColumn(LayoutField $field): bool
    {
        return ! in_array($field->kind, [FieldKind::LongText, FieldKind::Picture], true);
    }

    /**
     * @param  list<Item>  $items
     * @return int how many different values stand in a field
     */
    private static function said(LayoutField $field, array $items): int
    {
        $values = array_map(static fn (Item $item): string => (string) json_encode($item->values[$field->key] ?? false), $items);

        return count(array_diff(array_unique($values), ['false']));
    }

    /** @param  int  $said  how many different values stand in it */
    private static function tellsApart(LayoutField $field, int $said): bool
    {
        $isOffered = ListTerms::chooses($field) || ListTerms::bounds($field);

        return $isOffered && $said > ($field->kind === FieldKind::YesNo ? 0 : 1);
    }
}
