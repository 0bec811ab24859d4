<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Identity;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\FieldRows;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Moment;
use Heronstem\Core\Refusal;
use Heronstem\Core\Tree\FieldValues;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Tree\PageState;
use Heronstem\Core\Tree\PageTexts;
use Heronstem\Core\Tree\Tags;
use Heronstem\Core\Workspace\SiteContext;

/** A page of the tree out of what a source says of it: what it does not say is as the page is now, or as usual. */
final readonly class PageFromSource
{
    public function __construct(private SiteContext $site, private BringOptions $options)
    {
    }

    /**
     * @param  list<Page>  $ancestors  of the page, nearest first
     * @param  \Closure(string): ?string  $pageAt  identity of the page that is named by a key or an address
     *
     * @throws Refusal naming the field that cannot be as it is given
     */
    public function read(PlacedPage $placed, Slug $slug, bool $slugByHand, ?Page $above, array $ancestors, \Closure $pageAt): Page
    {
        $given = $placed->given;
        $now = $placed->before;
        $name = $this->name($placed);
        $blank = new Page(
            id: $placed->id,
            parent: $above?->id,
            position: 0,
            name: $name,
            slug: $slug,
            slugByHand: $slugByHand,
            pinned: null,
            state: PageState::Draft,
            everLive: false,
            listed: true,
            address: Address::stored('/', $this->site->rules),
        );
        $page = ($now ?? $blank)->with(['parent' => $above?->id, 'name' => $name, 'slug' => $slug, 'slugByHand' => $slugByHand]);
        $page = $this->withKind($page, $placed, $pageAt);
        $page = $this->inState($page, $placed);

        return $this->withTexts($page, $placed, $ancestors, $pageAt)->with([
            'pinned' => $given->pinned === null ? $page->pinned : Address::set($given->pinned, $this->site->rules),
            'listed' => $given->listed ?? $page->listed,
            'search' => $page->search->changed($given->settings),
            'tags' => $given->tags === null
                    ? $page->tags
                    : (new Tags())->changed(array_map(static fn (string $tag): string => Tags::tag($tag, 'tags'), $given->tags), []),
        ]);
    }

    private function name(PlacedPage $placed): string
    {
        $given = $placed->given;
        $said = $given->name ?? ($placed->before === null ? $given->texts['heading'] ?? ($given->texts['searchTitle'] ?? null) : null);
        if ($said !== null && trim($said) !== '') {
            return PageName::of($given->name === null || mb_strlen($said) > PageName::MAX_LENGTH ? mb_substr($said, 0, PageName::MAX_LENGTH) : $said)
                ->text;
        }
        $segments = $placed->segments ?? ($placed->written->segments ?? []);

        return $placed->before->name ??
            ($segments === []
                ? ($placed->written === null
                    ? throw new InputRefused('name', 'This page has neither a name nor an address to make one of.')
                    : 'Home')
                : SlugName::of($segments[count($segments) - 1]));
    }

    /** @param  \Closure(string): ?string  $pageAt */
    private function withKind(Page $page, PlacedPage $placed, \Closure $pageAt): Page
    {
        $word = $placed->given->kind;
        if ($word === null) {
            return $page;
        }
        $kind =
            PageKind::tryFrom($word) ??
            throw new InputRefused(
                'kind',
                sprintf('“%s” is no kind of page. There are %s.', mb_substr($word, 0, 40), implode(', ', array_column(PageKind::cases(), 'value'))),
            );
        $to = $placed->given->leadsTo;
        if ($kind === PageKind::Pointer && Identity::names($to) && $pageAt($to) === null) {
            $placed->remark(Remark::of('leadsTo', 'It leads to a page that is not imported: it becomes a section. Say where it should lead.'));

            return $page->with(['kind' => PageKind::Section, 'leadsTo' => null]);
        }
        $leadsTo = match ($kind) {
            PageKind::Page, PageKind::Section => null,
            PageKind::Download => Identity::names(self::file($to))
                ? Target::file((string) self::file($to))
                : throw new InputRefused('leadsTo', 'A download names the file that it serves by its identity, 26 letters and digits.'),
            PageKind::Pointer => $to === null || $to === ''
                ? throw new InputRefused('leadsTo', 'A pointer needs a page, an address or a URL to lead to.')
                : $this->target($to, $pageAt),
        };
        if ($leadsTo?->kind === TargetKind::Page && $leadsTo->value === $page->id) {
            throw new InputRefused('leadsTo', 'This page would lead to itself.');
        }

        return $page->with([
            'kind' => $kind,
            'leadsTo' => $leadsTo,
            'leftOut' => ($placed->given->leftOut ?? $page->leftOut) && $kind === PageKind::Section,
        ]);
    }

    /** Files are named by `file:` and their identity; of a download by the identity alone as well. */
    private static function file(?string $to): ?string
    {
        return $to === null ? null : (string) preg_replace('/^file:/', '', $to);
    }

    /** @param  \Closure(string): ?string  $pageAt */
    private function target(string $to, \Closure $pageAt): Target
    {
        $page = $pageAt($to);

        return match (true) {
            str_starts_with($to, 'file:') && Identity::names(substr($to, 5)) => Target::file(substr($to, 5)),
            $page !== null => Target::page($page),
            str_starts_with($to, '/') => Target::read('address', $to, $this->site->rules),
            default => Target::url($to),
        };
    }

    private function inState(Page $page, PlacedPage $placed): Page
    {
        $given = $placed->given;
        $from = $given->from === null ? $page->from : Moment::read($given->from, $this->options->zone, 'from');
        $until = $given->until === null ? $page->until : Moment::read($given->until, $this->options->zone, 'until');
        if ($from !== null && $until !== null && ! $until->isAfter($from)) {
            throw new InputRefused('until', 'This ends before it begins.');
        }
        $state =
            $placed->before === null
                ? $this->state($given->state)
                : ($this->options->as === BroughtAs::Given && $given->state !== null
                    ? $this->state($given->state)
                    : $page->state);
        $now = $this->site->now;
        // A moment that is to come decides itself when it goes live; one that is over has decided.
        if ($state === PageState::Live && $page->state !== PageState::Live && $from !== null && $from->isAfter($now)) {
            $state = PageState::Draft;
        } elseif ($state === PageState::Live && $until !== null && ! $until->isAfter($now)) {
            $state = PageState::Offline;
        }

        // One that has ended was live once: its address is known.
        $wasLive = $state === PageState::Offline || $given->wasLive ? ['everLive' => true] : [];

        return ($state === $page->state ? $page : $page->inState($state))->with([
            ...$wasLive,
            'from' => $state === PageState::Live ? null : $from,
            'until' => $until,
        ]);
    }

    private function state(?string $word): PageState
    {
        return match ($this->options->as) {
            BroughtAs::Draft => PageState::Draft,
            BroughtAs::Live => PageState::Live,
            BroughtAs::Given => match ($word) {
                null, 'draft', 'pending', 'unpublished' => PageState::Draft,
                'live', 'published', 'public', 'online' => PageState::Live,
                'offline', 'ended', 'expired', 'archived' => PageState::Offline,
                'review', 'in review' => PageState::InReview,
                default => throw new InputRefused(
                    'state',
                    sprintf('“%s” is not a state. Use draft, review, live or offline.', mb_substr($word, 0, 40)),
                ),
            },
        };
    }

    /**
     * @param  list<Page>  $ancestors
     * @param  \Closure(string): ?string  $pageAt
     */
    private function withTexts(Page $page, PlacedPage $placed, array $ancestors, \Closure $pageAt): Page
    {
        $given = $placed->given;
        $key = $given->layout ?? $page->layout;
        if ($given->layout !== null) {
            $key = $this->layoutNamed($given->layout);
        }
        $layout = $this->site->layouts->of($key);
        $layout = $layout->fieldsFrom === null ? $layout : $this->site->layouts->at($key, $ancestors);
        $working = $page->working();
        $fields = $key === $page->layout ? $working->fields : $layout->relaid($working->fields, $page->layout);
        $texts = $working->changed(array_map(static fn (string $text): string => $text, $given->texts), $page->name);
        $texts = $texts->withFields(
            $this->fields($layout, $placed, $pageAt) === [] ? $fields : $layout->changed($fields, $this->fields($layout, $placed, $pageAt)),
        );

        $page = $this->shown($page->with(['layout' => $key]), $texts);
        if ($given->prepared !== null && $page->isLive()) {
            [$texts, $fields] = [$given->prepared, is_array($given->prepared['fields'] ?? null) ? $given->prepared['fields'] : []];
            $waiting = $page->texts->changed(array_filter($texts, is_string(...)), $page->name);
            $page = $page->with(['prepared' => $waiting->withFields($layout->changed(new FieldValues(), $fields))]);
        }

        return $page;
    }

    /** What a live page says goes before visitors at once only where that is wished; else it waits as an edit. */
    private function shown(Page $page, PageTexts $texts): Page
    {
        $waits = $page->isLive() && $page->everLive && $this->options->as === BroughtAs::Draft;

        return $waits
            ? $page->with(['prepared' => $texts->equals($page->texts) ? null : $texts])
            : $page->with(['texts' => $texts, 'prepared' => null]);
    }

    /** By its key, or by its name as people read it. */
    private function layoutNamed(string $word): string
    {
        foreach ($this->site->layouts->all as $layout) {
            if (strcasecmp($layout->key, $word) === 0 || strcasecmp($layout->name, $word) === 0) {
                return $layout->key;
            }
        }
        $this->site->layouts->guard($word);

        return $word;
    }

    /**
     * @param  \Closure(string): ?string  $pageAt
     * @return array<string, mixed> as a layout takes them
     *
     * @throws InputRefused
     */
    private function fields(Layout $layout, PlacedPage $placed, \Closure $pageAt): array
    {
        $rows = new FieldRows($layout, static fn (): ?string => null, $pageAt);
        $fields = [];
        foreach ($placed->given->fields as $key => $value) {
            $field = $layout->field((string) $key);
            if ($field === null && ($value === '' || $value === null)) {
                continue; // a table has a column for what other pages have
            }
            $fields[$key] = $field !== null && is_string($value) ? $rows->value($field, $value) : $value;
        }

        return $fields;
    }
}
