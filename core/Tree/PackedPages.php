<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Moment;
use Heronstem\Core\PackedTexts;
use Heronstem\Core\Visitors\PageAccess;

/**
 * Pages by identity, all but the first of them held as short texts: what a batch concerns may be a whole site, and a page with its
 * thirty fields takes several times as much.
 */
final class PackedPages
{
    /** The first pages, which are held as they are: so many that most changes never need more. */
    private const AT_HAND = 16_000;

    /** So many pages that none is held as it is any more. */
    private const VERY_MANY = 60_000;

    /** Of the others, those looked at last: a page and those above it are often asked for several times in a row. */
    private const LATELY = 100;

    private const BY_HAND = 1;

    private const EVER_LIVE = 2;

    private const LISTED = 4;

    private const LEFT_OUT = 8;

    private const PROTECTED = 16;

    /** Null for a page that there is not, empty for one at hand. */
    private readonly PackedTexts $packed;

    /** @var array<string, Page> */
    private array $atHand = [];

    /** @var array<string, Page> */
    private array $lately = [];

    private static ?Page $blank = null;

    /**
     * @param  non-negative-int  $mostAtHand  pages that are held as they are
     * @param  int  $veryMany  pages beyond which none is
     */
    public function __construct(private int $mostAtHand = self::AT_HAND, private readonly int $veryMany = self::VERY_MANY)
    {
        $this->packed = new PackedTexts();
    }

    public function put(string $id, ?Page $page): void
    {
        unset($this->atHand[$id], $this->lately[$id]);
        if ($page !== null && count($this->atHand) < $this->mostAtHand) {
            $this->atHand[$id] = $page;
            $this->packed->put($id, '');
        } else {
            $this->packed->put($id, $page === null ? null : self::packed($page));
        }
        if ($this->atHand !== [] && count($this->packed) > $this->veryMany) {
            foreach ($this->atHand as $each => $held) {
                $this->packed->put($each, self::packed($held));
            }
            $this->atHand = [];
            $this->mostAtHand = 0;
        }
    }

    /** Whether the page, or that there is none, is known. */
    public function has(string $id): bool
    {
        return $this->packed->has($id);
    }

    public function find(string $id): ?Page
    {
        $page = $this->atHand[$id] ?? ($this->lately[$id] ?? null);
        $packed = $page === null ? $this->packed->find($id) : null;
        if ($packed === null) {
            return $page;
        }
        if (count($this->lately) >= self::LATELY) {
            $this->lately = [];
        }

        return $this->lately[$id] = self::unpacked($id, $packed);
    }

    /** @return list<string> in the order in which they were put first */
    public function ids(): array
    {
        return iterator_to_array($this->packed->keys(), false);
    }

    /**
     * @template T
     *
     * @param  array<string, T>  $byPage
     * @return array<string, T> without what is of pages that are known here
     */
    public function others(array $byPage): array
    {
        return $this->packed->others($byPage);
    }

    /** What most pages say nothing in stands at the end, if at all. */
    public static function packed(Page $page): string
    {
        $rest = self::rest($page);

        return implode("\0", [
            $page->parent,
            $page->position,
            $page->slug->text,
            ($page->slugByHand ? self::BY_HAND : 0) |
            ($page->everLive ? self::EVER_LIVE : 0) |
            ($page->listed ? self::LISTED : 0) |
            ($page->leftOut ? self::LEFT_OUT : 0) |
            ($page->isProtected ? self::PROTECTED : 0),
            $page->state->value,
            $page->was?->value,
            $page->bin,
            $page->kind->value,
            $page->address->path,
            $page->address->key === $page->address->path ? '' : $page->address->key,
            $page->contentSaved,
            $page->contentLive,
            $page->name,
            $rest === [] ? '' : serialize($rest),
        ]);
    }

    /** @param  string  $packed  as packed() gave it */
    public static function unpacked(string $id, string $packed): Page
    {
        $blank = self::blank();
        [$parent, $position, $slug, $bits, $state, $was, $bin, $kind, $path, $key, $saved, $live, $name, $rest] = explode("\0", $packed, 14);
        $bits = (int) $bits;
        /** @var array<string, string> $rest */
        $rest = $rest === '' ? [] : unserialize($rest, ['allowed_classes' => false]);

        return new Page(
            $id,
            $parent === '' ? null : $parent,
            (int) $position,
            $name,
            Slug::stored($slug),
            ($bits & self::BY_HAND) > 0,
            isset($rest['pinned']) ? Address::kept($rest['pinned'], $rest['pinnedKey']) : null,
            PageState::from($state),
            ($bits & self::EVER_LIVE) > 0,
            ($bits & self::LISTED) > 0,
            Address::kept($path, $key === '' ? $path : $key),
            $kind === 'page' ? PageKind::Page : PageKind::from($kind),
            isset($rest['leadsTo']) ? Target::stored($rest['leadsTo']) : null,
            ($bits & self::LEFT_OUT) > 0,
            ($bits & self::PROTECTED) > 0,
            $bin === '' ? null : $bin,
            $was === '' ? null : PageState::from($was),
            isset($rest['from']) ? Moment::stored($rest['from']) : null,
            isset($rest['until']) ? Moment::stored($rest['until']) : null,
            $rest['reviewNote'] ?? '',
            isset($rest['texts']) ? PageTexts::stored($rest['texts']) : $blank->texts,
            isset($rest['prepared']) ? PageTexts::stored($rest['prepared']) : null,
            $rest['layout'] ?? 'page',
            isset($rest['search']) ? SearchSettings::stored($rest['search']) : $blank->search,
            isset($rest['branchSearch']) ? SearchDefaults::stored($rest['branchSearch']) : $blank->branchSearch,
            (int) $saved,
            $live === '' ? null : (int) $live,
            $rest['wantedAs'] ?? null,
            isset($rest['tags']) ? Tags::stored($rest['tags']) : $blank->tags,
            isset($rest['showing']) ? Showing::stored($rest['showing']) : $blank->showing,
            isset($rest['code']) ? Code::stored($rest['code']) : $blank->code,
            isset($rest['access']) ? PageAccess::stored($rest['access']) : null,
        );
    }

    /** @return array<string, string> by field */
    private static function rest(Page $page): array
    {
        $blank = self::blank();
        $rest = [
            'pinned' => $page->pinned?->path,
            'pinnedKey' => $page->pinned?->key,
            'leadsTo' => $page->leadsTo?->toText(),
            'from' => $page->from?->iso(),
            'until' => $page->until?->iso(),
            'reviewNote' => $page->reviewNote === '' ? null : $page->reviewNote,
            'texts' => $page->texts === $blank->texts ? null : $page->texts->toText(),
            'prepared' => $page->prepared?->toText(),
            'layout' => $page->layout === 'page' ? null : $page->layout,
            'search' => $page->search === $blank->search ? null : $page->search->toText(),
            'branchSearch' => $page->branchSearch === $blank->branchSearch ? null : $page->branchSearch->toText(),
            'wantedAs' => $page->wantedAs,
            'tags' => $page->tags === $blank->tags ? null : $page->tags->toText(),
            'showing' => $page->showing === $blank->showing ? null : $page->showing->toText(),
            'code' => $page->code === $blank->code ? null : $page->code->toText(),
            'access' => $page->access?->toText(),
        ];

        return array_filter($rest, static fn (?string $text): bool => $text !== null);
    }

    private static function blank(): Page
    {
        return self::$blank ??= Page::fromFields(
            ['position' => 0, 'name' => '', 'slug' => '', 'slugByHand' => false, 'state' => 'draft', 'everLive' => false, 'listed' => true],
            '',
            Address::kept('/', '/'),
            new AddressRules(),
        );
    }
}
