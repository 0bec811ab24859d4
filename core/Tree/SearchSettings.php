<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

use Heronstem\Core\InputRefused;
use Heronstem\Core\OneLine;

/** What one page tells search engines besides its texts. */
final readonly class SearchSettings
{
    use SharesBlank;

    /** Longest texts, in characters. */
    private const MAX_LENGTHS = ['targetPhrase' => 100, 'siteSearchDescription' => 300];

    /**
     * @param  SearchDefaults  $own  what others inherit from branch or site, as the page says it itself; it has no patterns
     * @param  string  $targetPhrase  what people would search for to find the page
     * @param  string  $siteSearchDescription  what the site's own search says of the page, before the place where words were found
     */
    public function __construct(
        public Canonical $canonical = new Canonical(),
        public SearchDefaults $own = new SearchDefaults(),
        public string $targetPhrase = '',
        public string $siteSearchDescription = '',
    ) {
    }

    /**
     * @param  array<string, mixed>  $given  by the names of the fields; what is not given stays, null inherits
     *
     * @throws InputRefused naming the field
     */
    public function changed(array $given): self
    {
        $canonical = $given['canonical'] ?? null;
        if ($canonical !== null && ! is_string($canonical)) {
            throw new InputRefused('canonical', 'This is a text.');
        }

        return new self(
            array_key_exists('canonical', $given) ? Canonical::read((string) $canonical) : $this->canonical,
            $this->own->changed(array_diff_key($given, ['titlePattern' => true, 'descriptionPattern' => true])),
            self::text($given, 'targetPhrase', $this->targetPhrase),
            self::text($given, 'siteSearchDescription', $this->siteSearchDescription),
        );
    }

    /** As one text; null where the page says nothing of its own. */
    public function toText(): ?string
    {
        $said = Stored::said([
            'canonical' => $this->canonical->kind === CanonicalKind::Itself ? '' : $this->canonical->toText(),
            'targetPhrase' => $this->targetPhrase,
            'siteSearchDescription' => $this->siteSearchDescription,
            'own' => $this->own->toArray(),
        ]);

        return $said === [] ? null : Stored::text($said);
    }

    public static function stored(?string $text): self
    {
        if (Stored::isBlank($text)) {
            return self::blank();
        }
        $kept = Stored::read($text);
        $word = static fn (string $field): string => is_string($kept[$field] ?? null) ? $kept[$field] : '';

        return new self(
            Canonical::read($word('canonical')),
            SearchDefaults::fromArray(is_array($kept['own'] ?? null) ? $kept['own'] : []),
            $word('targetPhrase'),
            $word('siteSearchDescription'),
        );
    }

    /** @param  array<string, mixed>  $given */
    private static function text(array $given, string $field, string $now): string
    {
        if (! array_key_exists($field, $given)) {
            return $now;
        }
        $value = $given[$field] ?? '';
        if (! is_string($value)) {
            throw new InputRefused($field, 'This is a text.');
        }
        $folded = OneLine::of($value);
        if (mb_strlen($folded) > self::MAX_LENGTHS[$field]) {
            throw new InputRefused($field, sprintf('At most %d characters fit here; these are %d.', self::MAX_LENGTHS[$field], mb_strlen($folded)));
        }

        return $folded;
    }
}
