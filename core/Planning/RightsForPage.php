<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Access\Right;
use Heronstem\Core\Moment;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Tree\PageState;
use Heronstem\Core\Tree\PageTexts;

/** Which rights it takes to do to a page what a batch does to it. */
final class RightsForPage
{
    /** By field, where visitors notice it at once on a page that they know: publishing is needed there besides. */
    private const NOTICED = [
        'parent' => Right::Structure,
        'position' => Right::Structure,
        'name' => Right::Structure,
        'slug' => Right::Structure,
        'slugByHand' => Right::Structure,
        'kind' => Right::Structure,
        'leadsTo' => Right::Structure,
        'leftOut' => Right::Structure,
        'listed' => Right::Structure,
        'heading' => Right::Write,
        'summary' => Right::Write,
        'searchTitle' => Right::Write,
        'searchDescription' => Right::Write,
        'socialTitle' => Right::Write,
        'socialDescription' => Right::Write,
        'tags' => Right::Write,
        'showing' => Right::Write,
        'layout' => Right::Fields,
        'fields' => Right::Fields,
    ];

    /** By field, where the right is enough by itself. */
    private const BY_ITSELF = [
        'saved' => Right::Write,
        'reviewNote' => Right::Write,
        'wantedAs' => Right::Write,
        'content' => Right::Publish,
        'pinned' => Right::Addresses,
        'search' => Right::Search,
        'branchSearch' => Right::Search,
        'code' => Right::Code,
        'access' => Right::Access,
    ];

    /** What follows from the state, or is guarded by itself. */
    private const FOLLOWING = ['state', 'was', 'bin', 'everLive', 'from', 'until', 'address', 'isProtected', 'prepared'];

    public static function toRemove(PageDifference $difference): Right
    {
        $isKnown = ($difference->before['everLive'] ?? false) === true;

        return $isKnown || ($difference->before['state'] ?? null) === PageState::Binned->value ? Right::Retire : Right::Structure;
    }

    /**
     * @param  Page  $page  as it will be
     * @return list<Right> some more than once
     */
    public static function toChange(PageDifference $difference, Page $page): array
    {
        if ($difference->before === null) {
            return self::toMake($page);
        }
        $isKnown = (bool) ($difference->before['everLive'] ?? $page->everLive);
        $needed = self::ofState($difference, $page, $isKnown);
        $published = self::published($difference);
        foreach (array_keys($difference->before) as $field) {
            if (isset($published[$field])) {
                $needed[] = Right::Publish;
            } elseif (isset(self::NOTICED[$field])) {
                array_push($needed, self::NOTICED[$field], ...$isKnown ? [Right::Publish] : []);
            } elseif (! in_array($field, self::FOLLOWING, true)) {
                // What nobody has thought of takes a right that few have, rather than none.
                $needed[] = self::BY_ITSELF[$field] ?? Right::Settings;
            }
        }
        if (array_key_exists('prepared', $difference->before) && $published === []) {
            array_push($needed, ...self::ofPrepared($difference, $page));
        }

        return $needed;
    }

    /** @return list<Right> */
    private static function toMake(Page $page): array
    {
        $needed = [Right::Structure];
        if ($page->isLive() || $page->from !== null) {
            $needed[] = Right::Publish;
        }
        if ($page->until !== null || ($page->everLive && ! $page->isLive())) {
            $needed[] = Right::Retire;
        }
        if ($page->pinned !== null) {
            $needed[] = Right::Addresses;
        }
        if (! $page->code->isBlank()) {
            $needed[] = Right::Code;
        }

        return $needed;
    }

    /** @return list<Right> */
    private static function ofState(PageDifference $difference, Page $page, bool $isKnown): array
    {
        $before = $difference->before ?? [];
        $was = $before['state'] ?? null;
        $isPutLive = $was !== null && $page->isLive();
        $isTakenAway = $was === PageState::Live->value || ($was !== null && ($page->isBinned() || $was === PageState::Binned->value));
        // A schedule that ends because the page goes live or away is no schedule that somebody changes.
        $ends = $isPutLive || $isTakenAway;
        $reschedules = fn (string $field, ?Moment $now): bool => array_key_exists($field, $before) && ($now !== null || ! $ends);
        $needed = [
            ...$reschedules('from', $page->from) ? [Right::Publish] : [],
            ...$reschedules('until', $page->until) ? [Right::Retire] : [],
            // Put live and taken away again in one batch, it is known from then on.
            ...($before['everLive'] ?? $page->everLive) !== $page->everLive ? [Right::Publish] : [],
        ];

        return $was === null
            ? $needed
            : [
                ...$needed,
                match (true) {
                    $isPutLive => Right::Publish,
                    $isTakenAway => $isKnown || $was === PageState::Live->value ? Right::Retire : Right::Structure,
                    default => Right::Write,
                },
            ];
    }

    /** @return array<string, true> texts that become what had been prepared for them, so that they are published and not written */
    private static function published(PageDifference $difference): array
    {
        $prepared = $difference->before['prepared'] ?? null;
        if (! is_string($prepared) || ($difference->after['prepared'] ?? null) !== null) {
            return [];
        }
        $published = [];
        foreach (PageTexts::stored($prepared)->toArray() as $field => $text) {
            if (array_key_exists($field, $difference->after ?? []) && $difference->after[$field] === $text) {
                $published[$field] = true;
            }
        }

        return $published;
    }

    /** @return list<Right> of what waits to be published */
    private static function ofPrepared(PageDifference $difference, Page $page): array
    {
        $of = static fn (mixed $prepared): array => is_string($prepared) ? PageTexts::stored($prepared)->toArray() : $page->texts->toArray();
        [$was, $is] = [$of($difference->before['prepared'] ?? null), $of($difference->after['prepared'] ?? null)];
        $changed = array_keys(array_filter($is, static fn (mixed $text, string $field): bool => $text !== $was[$field], ARRAY_FILTER_USE_BOTH));

        return $changed === ['fields'] ? [Right::Fields] : (in_array('fields', $changed, true) ? [Right::Write, Right::Fields] : [Right::Write]);
    }
}
