<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\Composition;
use Heronstem\Core\Address\InvalidAddress;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Address\SlugMaker;
use Heronstem\Core\Change\BringIn;
use Heronstem\Core\Change\BroughtPage;
use Heronstem\Core\Identity;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Ledger\Ledger;
use Heronstem\Core\Refusal;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Tree\Pages;
use Heronstem\Core\Workspace\SiteContext;

/**
 * Where the pages of a source stand in a site and what they become there: pages that are there already are recognised by identity
 * or address, new ones get identities, slugs and addresses, and every address that the source names leads to its page.
 * Writes nothing. Cost: linear in the pages of the source; of the site only those are read that it names.
 */
final class Placement
{
    /** How many numbers are tried for a slug that siblings have. */
    private const MAX_TRIES = 1000;

    private readonly SlugMaker $slugs;

    private readonly SlugName $names;

    private readonly PageFromSource $reader;

    /** @var array<string, PlacedPage> by the keys of the addresses that pages of the source take */
    private array $takes = [];

    /** @var array<string, Page> pages of the tree that are named or stand above one of the source */
    private array $known = [];

    public function __construct(
        private readonly SiteContext $site,
        private readonly Pages $pages,
        private readonly Ledger $ledger,
        private readonly BringOptions $options,
    ) {
        $this->slugs = new SlugMaker($site->rules);
        $this->names = new SlugName($this->slugs);
        $this->reader = new PageFromSource($site, $options);
    }

    /**
     * @param  iterable<GivenPage>  $given
     * @param  string  $seed  from which new pages get their identities: always the same for the same source
     *
     * @throws InputRefused where there is too much of it, or the page that it is to stand under is not there
     */
    public function of(iterable $given, string $seed): PlacedSource
    {
        $tree = SourceTree::of($given, $this->site->rules, $this->options);
        $this->knowUnder();
        $this->recognise($tree);
        $start = $this->startPage($tree);
        foreach ($tree->pages as $n => $page) {
            $page->id =
                $page->before->id ??
                (($page->given->takesId ? $page->given->id : null) ??
                    Identity::derived($seed, $page->given->id ?? ($page->segments === null ? "row $n" : 'at '.implode('/', $page->segments))));
        }
        foreach (self::parentsFirst($tree->pages) as $page) {
            if (! $page->isRefused()) {
                $this->settle($page, $tree, $start);
            }
        }
        $this->formerAddresses($tree->pages);
        $this->tellHeld($tree->pages);

        return new PlacedSource($tree->pages, $this->brought($tree->pages), $start?->address?->path === '/' ? $start->id : null, $tree);
    }

    private function knowUnder(): void
    {
        if ($this->options->under === null) {
            return;
        }
        foreach ($this->pages->withAncestors([$this->options->under]) as $page) {
            $this->known[$page->id] = $page;
        }
        $under = $this->known[$this->options->under] ?? null;
        if ($under === null || $under->isBinned()) {
            throw new InputRefused('under', 'The page that these are to stand under is not there, or in the bin. Choose another one.');
        }
    }

    /** By identity, else by the address that a page would have here. */
    private function recognise(SourceTree $tree): void
    {
        $ids = $addresses = $at = [];
        foreach ($tree->pages as $page) {
            if ($page->isRefused()) {
                continue;
            }
            $ids[] = (string) $page->given->id;
            if ($page->under !== null && Identity::names($page->under)) {
                $ids[] = $page->under;
            }
            $address =
                $page->segments === null
                    ? $this->addressOf($page->given->hasPlace ? null : $page->written?->path)
                    : $this->addressAt($page->segments);
            if ($address !== null) {
                $addresses[] = $address;
                $at[] = [$page, $address];
            }
            if ($page->under !== null && str_contains($page->under, '/')) {
                $addresses[] = $this->addressOf($page->under);
            }
        }
        $claims = [];
        foreach (array_chunk(array_values(array_filter($addresses)), 2000) as $piece) {
            $claims += $this->ledger->claimsOn($piece);
        }
        array_push($ids, ...array_map(static fn (Claim $claim): string => (string) $claim->page, array_values($claims)));
        foreach (array_chunk(array_values(array_unique(array_filter($ids))), 2000) as $piece) {
            foreach ($this->pages->withAncestors($piece) as $page) {
                $this->known[$page->id] = $page;
            }
        }
        $found = [];
        foreach ($tree->pages as $page) {
            if ($page->given->id !== null && isset($this->known[$page->given->id])) {
                $found[spl_object_id($page)] = $page->given->id;
            }
        }
        foreach ($at as [$page, $address]) {
            $claim = $claims[$address->key] ?? null;
            if ($claim?->kind === ClaimKind::Page && $claim->page !== null) {
                $found[spl_object_id($page)] ??= $claim->page;
            }
        }
        $this->take($tree, $found, $claims);
    }

    /**
     * @param  array<int, string>  $found  identities, by page of the source
     * @param  array<string, Claim>  $claims
     */
    private function take(SourceTree $tree, array $found, array $claims): void
    {
        $taken = [];
        foreach ($tree->pages as $page) {
            $id = $found[spl_object_id($page)] ?? null;
            $now = $id === null ? null : $this->known[$id] ?? null;
            if ($now === null) {
                $this->underKnown($page, $claims);
            } elseif ($now->isBinned()) {
                $page->remark(Remark::refusing('id', "“{$now->name}” is in the bin. Bring it back first, or leave the row away."));
            } elseif (isset($taken[$now->id])) {
                $page->remark(Remark::refusing('id', "This is “{$now->name}” again, as {$taken[$now->id]} is."));
            } else {
                $taken[$now->id] = $page->given->at;
                $page->before = $now;
                $this->underKnown($page, $claims);
            }
        }
    }

    /** @param  array<string, Claim>  $claims */
    private function underKnown(PlacedPage $page, array $claims): void
    {
        $under = $page->under;
        if ($under === null || $page->isRefused() || $page->above !== null || $under === $this->options->under) {
            return;
        }
        $address = str_contains($under, '/') ? $this->addressOf($under) : null;
        $id = Identity::names($under) ? $under : ($address === null ? null : $claims[$address->key]->page ?? null);
        $above = $id === null ? null : $this->known[$id] ?? null;
        $above === null || $above->isBinned()
            ? $page->remark(
                Remark::refusing('parent', sprintf('There is no page “%s”, neither in this file nor on the site.', mb_substr($under, 0, 100))),
            )
            : ($page->under = $above->id);
    }

    /** @param  list<string>  $segments */
    private function addressAt(array $segments): ?Address
    {
        if ($segments === [] && $this->options->under === null) {
            return Address::stored('/', $this->site->rules);
        }
        $address = $this->options->under === null ? null : $this->known[$this->options->under]->address;
        try {
            foreach ($segments === [] ? ['home'] : $segments as $segment) {
                $address = Composition::compose($address, $this->names->slug($segment), $this->site->rules);
            }
        } catch (InvalidAddress) {
            return null;
        }

        return $address;
    }

    private function addressOf(?string $path): ?Address
    {
        return $path === null ? null : Address::stored(NormalForm::of($path, $this->site->rules), $this->site->rules);
    }

    /** The page that the source has at `/`, where the site has no start page yet. */
    private function startPage(SourceTree $tree): ?PlacedPage
    {
        if ($this->site->startPage !== null || $this->options->under !== null) {
            return null;
        }
        foreach ($tree->pages as $page) {
            if (! $page->isRefused() && ($page->given->isStart ?? $page->above === null && $page->written?->segments === [])) {
                return $page;
            }
        }

        return null;
    }

    /**
     * @param  list<PlacedPage>  $pages
     * @return list<PlacedPage>
     */
    private static function parentsFirst(array $pages): array
    {
        $levels = array_map(static fn (PlacedPage $page): int => $page->isRefused() ? 0 : $page->level(), $pages);
        asort($levels); // a stable sort: siblings keep their order

        return array_map(static fn (int $n): PlacedPage => $pages[$n], array_keys($levels));
    }

    private function settle(PlacedPage $page, SourceTree $tree, ?PlacedPage $start): void
    {
        if ($page->above?->isRefused() === true) {
            $page->remark(Remark::refusing('parent', "The page above it, {$page->above->given->at}, cannot be taken."));

            return;
        }
        $parent = $page->above === null ? ($page->under === null ? null : $this->known[$page->under]) : $page->above->after ?? $page->above->before;
        if ($page->status === PlacedStatus::Between && $page->before !== null) {
            $page->status = PlacedStatus::Same;
            $page->after = $page->before;
            $page->address = $page->before->address;

            return;
        }
        try {
            $this->readPage($page, $parent, $tree, $start);
        } catch (Refusal $no) {
            $page->after = null;
            $page->remark(Remark::refusing($no->field, $no->reason, $no->suggestion));
        }
    }

    /** @throws Refusal naming the field that cannot be as it is given */
    private function readPage(PlacedPage $page, ?Page $parent, SourceTree $tree, ?PlacedPage $start): void
    {
        // Where the source says nothing of its place, a page that is there stays where it is.
        $staysPut = $page->before !== null && ($page->segments !== null || ! $page->given->hasPlace) && ! $this->movesByAddress($page);
        $above = $staysPut ? $this->parentOf($page->before) : $parent;
        [$slug, $byHand] = $this->slug($page);
        if ($page->before === null && $page->given->kind === null && $page->status === PlacedStatus::Between) {
            $page->given = $page->given->with([
                'kind' => 'section',
                'name' => SlugName::of((string) ($page->segments[count($page->segments ?? []) - 1] ?? '')),
            ]);
        }
        $read = $this->reader->read($page, $slug, $byHand, $above, $this->ancestors($above), fn (string $to): ?string => $this->pageAt($to, $tree));
        $isStart =
            ($page === $start && ($page->given->isStart === true || ($read->isLive() && $read->kind === PageKind::Page))) ||
            ($page->before !== null && $page->before->id === $this->site->startPage);
        $address = $isStart
            ? Address::stored('/', $this->site->rules)
            : $read->pinned ?? Composition::compose($this->passedOn($above, $page), $read->slug, $this->site->rules);
        if ($page->before === null && ! $isStart && isset($this->takes[$address->key])) {
            [$read, $address] = $this->numbered($page, $read, $above);
        }
        $this->takes[$address->key] ??= $page;
        $page->after = $this->known[$page->id] = $read->at($address);
        $page->address = $address;
        if ($page === $start && ! $isStart) {
            $page->remark(Remark::of('state', 'It is the start page there. Put it live and make it the start page here as well.'));
        }
        $this->judge($page);
    }

    private function judge(PlacedPage $page): void
    {
        if ($page->before === null || $page->after === null) {
            return;
        }
        $isSame = ! $page->given->hasContent && $page->before->toFields() === $page->after->toFields();
        $page->status = match (true) {
            $isSame => PlacedStatus::Same,
            ! $this->options->changesKnown => PlacedStatus::Left,
            default => PlacedStatus::Changed,
        };
        if ($page->status === PlacedStatus::Left) {
            $page->after = $page->before;
            $page->address = $page->before->address;
        }
    }

    /** Whether the address in its row is another than the page has: then that is where it is to be. */
    private function movesByAddress(PlacedPage $page): bool
    {
        if ($page->before === null || $page->given->id === null || $page->segments === null || $page->segments === []) {
            return false;
        }
        $there = $this->addressAt($page->segments);

        return $there !== null && $there->key !== $page->before->address->key;
    }

    /** @return array{Slug, bool} the slug, and whether it is set by hand */
    private function slug(PlacedPage $page): array
    {
        $given = $page->given->slug;
        // A table that was edited elsewhere may have the slug as it was beside an address that is another.
        $isOld = $page->before?->slug->text === $given && $this->movesByAddress($page);
        if ($given !== null && $given !== '' && ! $isOld) {
            $isSame = $page->before?->slug->text === Slug::of($given)->text;

            return [Slug::of($given), $page->given->slugByHand ?? ! $isSame || $page->before->slugByHand];
        }
        if ($page->before !== null && ! $this->movesByAddress($page)) {
            return [$page->before->slug, $page->before->slugByHand];
        }
        $segments = $page->segments ?? ($page->written->segments ?? []);
        $last = $segments === [] ? null : $segments[count($segments) - 1];
        if ($last === null) {
            return [$this->slugs->make($page->given->name ?? 'home'), false];
        }
        $slug = $this->names->slug($last);
        if ($slug->text !== $last && $slug->text !== trim((string) \Normalizer::normalize($last, \Normalizer::FORM_C))) {
            $page->remark(Remark::of('slug', sprintf('“%s” cannot be a slug; this is “%s”.', mb_substr($last, 0, 60), $slug->text)));
        }

        return [$slug, true];
    }

    /**
     * Two pages of a source that would have one address: the second is numbered, and that is said.
     *
     * @return array{Page, Address}
     */
    private function numbered(PlacedPage $page, Page $read, ?Page $above): array
    {
        $first = $this->takes[Composition::compose($this->passedOn($above, $page), $read->slug, $this->site->rules)->key]->given->at ?? 'another';
        for ($n = 2; $n < self::MAX_TRIES; $n++) {
            $slug = Slug::stored(mb_substr($read->slug->text, 0, Slug::MAX_LENGTH - 5)."-$n");
            $address = Composition::compose($this->passedOn($above, $page), $slug, $this->site->rules);
            if (! isset($this->takes[$address->key])) {
                $page->remark(Remark::of('slug', "With “{$read->slug->text}” its address would be that of $first; this is “{$slug->text}”."));

                return [$read->withSlug($slug, true), $address];
            }
        }
        throw new InputRefused('slug', "Too many pages under one another would have the slug “{$read->slug->text}”. Give them slugs of their own.");
    }

    private function parentOf(Page $page): ?Page
    {
        return $page->parent === null ? null : $this->known[$page->parent] ?? null;
    }

    /** @return list<Page> the page and those above it, nearest first */
    private function ancestors(?Page $page): array
    {
        $line = [];
        while ($page !== null && count($line) < 64) {
            $line[] = $page;
            $page = $page->parent === null ? null : $this->known[$page->parent] ?? null;
        }

        return $line;
    }

    /** The address that a parent passes on: of a section that is left out, what the one above passes on. */
    private function passedOn(?Page $above, PlacedPage $page): ?Address
    {
        foreach ($this->ancestors($above) as $each) {
            if (! $each->leftOut) {
                return $each->address;
            }
        }

        return null;
    }

    private function pageAt(string $to, SourceTree $tree): ?string
    {
        $page = $tree->named($to);
        if ($page !== null && ! $page->isRefused()) {
            return $page->id;
        }
        if (Identity::names($to)) {
            $there = $this->known[$to] ?? $this->pages->page($to);

            return $there === null || $there->isBinned() ? null : $to;
        }
        $address = str_contains($to, '/') ? $this->addressOf((string) parse_url($to, PHP_URL_PATH)) : null;
        $claim = $address === null ? null : $this->ledger->claimsOn([$address])[$address->key] ?? null;

        return $claim?->kind === ClaimKind::Page ? $claim->page : null;
    }

    /** @param  list<PlacedPage>  $pages */
    private function formerAddresses(array $pages): void
    {
        $given = [];
        foreach ($pages as $page) {
            if ($page->isRefused() || $page->after === null || $page->status === PlacedStatus::Left) {
                continue;
            }
            // What it was called is kept where it is another now; spellings that the site takes for the same need no redirect.
            $written = $this->options->keepsAddresses && ($page->given->id === null || $page->given->takesId) ? $page->spellings : [];
            foreach ([...$written, ...$page->given->former] as $i => $path) {
                $address = $this->former($page, $path);
                if ($address === null || isset($this->takes[$address->key])) {
                    continue;
                }
                if (isset($given[$address->key])) {
                    $given[$address->key] === $page ||
                        $page->remark(Remark::of('former', "{$address->readable()} leads to {$given[$address->key]->given->at} already."));

                    continue;
                }
                $given[$address->key] = $page;
                $page->former[] = $address;
            }
        }
        $this->leaveKnownFormer($pages);
    }

    private function former(PlacedPage $page, string $path): ?Address
    {
        try {
            return Address::set(WrittenAddress::read($path)->path, $this->site->rules);
        } catch (Refusal $no) {
            $page->remark(Remark::of('former', sprintf('“%s” leads nowhere: %s', mb_substr($path, 0, 80), $no->reason)));

            return null;
        }
    }

    /**
     * Addresses that lead to the page already are none to give it.
     *
     * @param  list<PlacedPage>  $pages
     */
    private function leaveKnownFormer(array $pages): void
    {
        $all = array_merge([], ...array_map(static fn (PlacedPage $page): array => $page->former, $pages));
        $claims = [];
        foreach (array_chunk($all, 2000) as $piece) {
            $claims += $this->ledger->claimsOn($piece);
        }
        foreach ($pages as $page) {
            $page->former = array_values(
                array_filter($page->former, static fn (Address $address): bool => ($claims[$address->key] ?? null)?->page !== $page->id),
            );
        }
    }

    /**
     * Addresses that something else holds: what becomes of them is decided when it is applied, and told here already.
     *
     * @param  list<PlacedPage>  $pages
     */
    private function tellHeld(array $pages): void
    {
        $wanted = [];
        foreach ($pages as $page) {
            $isMade = $page->status === PlacedStatus::New || $page->status === PlacedStatus::Between;
            foreach ($page->after === null ? [] : array_filter([$isMade ? $page->address : null, ...$page->former]) as $address) {
                $wanted[$address->key] = [$page, $address];
            }
        }
        foreach (array_chunk($wanted, 2000) as $piece) {
            foreach ($this->ledger->claimsOn(array_column($piece, 1)) as $key => $claim) {
                [$page, $address] = $wanted[$key];
                $holder = match ($claim->kind) {
                    ClaimKind::Page, ClaimKind::Also => 'a page of this site',
                    ClaimKind::Redirect, ClaimKind::Rule => 'a redirect',
                    ClaimKind::Gone => 'the record that it is gone',
                    ClaimKind::Bin => 'a page in the bin',
                    default => 'the system',
                };
                if ($claim->page !== $page->id) {
                    $page->remark(Remark::of('address', "{$address->readable()} is held by $holder: decide that before importing it."));
                }
            }
        }
    }

    /**
     * @param  list<PlacedPage>  $pages
     * @return list<BroughtPage> parents before their children
     */
    private function brought(array $pages): array
    {
        $brought = [];
        foreach (self::parentsFirst($pages) as $page) {
            $isMade = $page->status === PlacedStatus::New || $page->status === PlacedStatus::Between;
            $isOther = $page->status === PlacedStatus::Changed || ($page->status === PlacedStatus::Same && $page->former !== []);
            if ($page->after !== null && ($isMade || $isOther)) {
                $brought[] = new BroughtPage(
                    $page->after,
                    $isMade,
                    $page->given->hasContent ? $page->given->at : null,
                    $page->former,
                    $page->after->isLive() && ($isMade || $this->options->as !== BroughtAs::Draft),
                    $page->given->hasLiveContent,
                );
            }
        }

        return count($brought) > BringIn::MAX_PAGES
            ? throw new InputRefused(
                'text',
                sprintf(
                    'At most %s pages are imported at once; these are %s. Give them in parts, one branch after the other.',
                    number_format(BringIn::MAX_PAGES),
                    number_format(count($brought)),
                ),
            )
            : $brought;
    }
}
