<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

use Heronstem\Core\Search\DescriptionSource;
use Heronstem\Core\Search\TextPattern;
use Heronstem\Core\Tree\Canonical;
use Heronstem\Core\Tree\CanonicalKind;
use Heronstem\Core\Tree\PageKind;

/** Everything that the checks look at of one page. */
final readonly class AuditedPage
{
    /**
     * @param  bool  $isLive  visitors get it
     * @param  bool  $isListed  it is in menus, lists and sitemap while live
     * @param  bool  $index  search engines may list it, after everything it inherits
     * @param  bool  $isInSitemap  it wants to be there, after everything it inherits
     * @param  bool  $saysSitemap  and says so itself
     * @param  bool  $mayBeFetched  robots.txt lets every crawler fetch it
     * @param  string|null  $canonicalAddress  where its canonical is a URL of this very site, the address behind it
     * @param  string|null  $canonicalLanguage  language of the site that its canonical leads to, where that is known
     * @param  list<int>  $headingLevels  of the content, in order
     * @param  int  $words  of the content
     * @param  int  $fingerprint  Fingerprint of the content; 0 for too few words
     * @param  float|null  $readingEase  Flesch, where the language has constants
     * @param  list<string>  $links  pages that the content links to, by identity
     * @param  list<string>  $rawLinks  addresses of this site that the content links to as they are written
     * @param  int  $linksOut  to other sites
     * @param  int  $insecureLinks  of the content that begin with http://
     * @param  list<Picture>  $pictures
     * @param  array{int, int}|null  $socialPicture  width and height of the picture on its social card, px
     * @param  bool  $ended  its schedule took it offline
     * @param  list<string>  $handMadeMenus  names of those that show it
     * @param  int|null  $clicks  from the start page; null where nothing leads to it
     * @param  bool  $isStart  the start page
     * @param  list<string>  $outsideLinks  http(s) URLs of other sites that the content links to, each once, without fragment
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $heading,
        public string $slug,
        public string $address,
        public string $title,
        public float $titleWidth,
        public string $description,
        public DescriptionSource $descriptionSource,
        public float $descriptionWidth,
        public PageKind $kind = PageKind::Page,
        public ?string $parent = null,
        public bool $isLive = true,
        public bool $isListed = true,
        public bool $index = true,
        public bool $isInSitemap = true,
        public bool $saysSitemap = false,
        public bool $mayBeFetched = true,
        public Canonical $canonical = new Canonical(),
        public ?string $canonicalAddress = null,
        public ?string $canonicalLanguage = null,
        public bool $hasFurtherAddresses = false,
        public string $language = 'en',
        public array $headingLevels = [],
        public int $words = 200,
        public int $fingerprint = 0,
        public ?float $readingEase = null,
        public array $links = [],
        public array $rawLinks = [],
        public int $linksOut = 0,
        public int $insecureLinks = 0,
        public array $pictures = [],
        public ?array $socialPicture = null,
        public bool $ended = false,
        public array $handMadeMenus = [],
        public ?int $clicks = 1,
        public bool $isStart = false,
        public ?PhraseUse $phrase = null,
        public array $outsideLinks = [],
    ) {
    }

    /** Whether visitors and search engines are meant to find it. */
    public function isFindable(): bool
    {
        return $this->isLive && $this->isListed && $this->index && in_array($this->kind, [PageKind::Page, PageKind::Download], true);
    }

    /** Whether it shows content of its own. */
    public function hasContent(): bool
    {
        return $this->kind === PageKind::Page;
    }

    public function isSelfCanonical(): bool
    {
        return $this->canonical->kind === CanonicalKind::Itself ||
            ($this->canonical->kind === CanonicalKind::Page && $this->canonical->value === $this->id);
    }

    /** Whether it is a double of another that says the same: only one that is found, and counts for itself. */
    public function counts(): bool
    {
        return $this->isFindable() && $this->isSelfCanonical();
    }

    /** @return array<string, string> what it shares with others that say the same, by what it is */
    public function keys(): array
    {
        return array_filter(
            [
                'title' => $this->title === '' ? '' : self::key('title', $this->title),
                'description' => $this->description === '' ? '' : self::key('description', $this->description),
                'heading' => $this->heading === '' ? '' : self::key('heading', $this->heading),
                'phrase' => $this->phrase === null ? '' : self::key('phrase', $this->phrase->phrase),
            ],
            static fn (string $key): bool => $key !== '',
        );
    }

    /** Under which texts of one kind are found that say the same, whatever their case and white space. */
    public static function key(string $kind, string $text): string
    {
        return $kind.':'.hash('xxh128', mb_strtolower(TextPattern::fold($text)));
    }

    /** @return list<string> pages whose state its findings depend on, each once */
    public function refersTo(): array
    {
        $named = array_fill_keys($this->links, true);
        if ($this->canonical->kind === CanonicalKind::Page) {
            $named[$this->canonical->value] = true;
        }
        if ($this->parent !== null) {
            $named[$this->parent] = true;
        }

        return array_map(strval(...), array_keys($named));
    }

    /** @return list<string> addresses of the site that its findings depend on, each once */
    public function addressesNamed(): array
    {
        return array_values(array_unique([...$this->rawLinks, ...$this->canonicalAddress === null ? [] : [$this->canonicalAddress]]));
    }

    /** @return array<string, mixed> for JSON, as fromArray() reads it */
    public function toArray(): array
    {
        return [
            ...get_object_vars($this),
            'descriptionSource' => $this->descriptionSource->value,
            'kind' => $this->kind->value,
            'canonical' => $this->canonical->toText(),
            'pictures' => array_map(static fn (Picture $picture): array => array_values(get_object_vars($picture)), $this->pictures),
            'phrase' => $this->phrase === null ? null : array_values(get_object_vars($this->phrase)),
        ];
    }

    /** @param  array<string, mixed>  $kept  as toArray() gave it; fields that came later may be missing */
    public static function fromArray(array $kept): self
    {
        $values = [
            ...$kept,
            'descriptionSource' => DescriptionSource::from($kept['descriptionSource']),
            'kind' => PageKind::from($kept['kind']),
            'canonical' => Canonical::read($kept['canonical']),
            'pictures' => array_map(static fn (array $picture): Picture => new Picture(...$picture), $kept['pictures']),
            'phrase' => $kept['phrase'] === null ? null : new PhraseUse(...$kept['phrase']),
            'titleWidth' => (float) $kept['titleWidth'],
            'descriptionWidth' => (float) $kept['descriptionWidth'],
            'readingEase' => $kept['readingEase'] === null ? null : (float) $kept['readingEase'],
        ];

        return new self(...$values);
    }

    /** What others that name it look at: while this is the same, their findings are. */
    public function face(): string
    {
        return implode(' ', [(int) $this->isLive, (int) $this->isListed, (int) $this->index, $this->canonical->toText(), $this->address]);
    }
}
