<?php

declare(strict_types=1);

namespace Heronstem\Core\Address;

/** What one site has decided about the shape of its addresses. */
final readonly class AddressRules
{
    /**
     * @param  string  $suffix  '' or a file ending with its dot, e.g. `.html`
     * @param  string  $language  BCP 47 tag of the site's main language
     * @param  bool  $nativeLetters  keep letters beyond ASCII in slugs made from names
     *
     * @throws InvalidAddress when suffix and trailing slash contradict each other
     */
    public function __construct(
        public TrailingSlash $trailingSlash = TrailingSlash::Never,
        public string $suffix = '',
        public bool $caseSensitive = false,
        public string $language = 'en',
        public bool $nativeLetters = false,
    ) {
        if ($suffix !== '' && preg_match('/^\.[A-Za-z][A-Za-z0-9]{0,7}$/D', $suffix) !== 1) {
            throw new InvalidAddress('suffix', 'A suffix is a dot and one to eight letters or digits.', '.html');
        }
        if ($suffix !== '' && $trailingSlash === TrailingSlash::Always) {
            throw new InvalidAddress('suffix', 'An address cannot end in a suffix and in a slash.', '');
        }
    }

    /** What stands at the end of every address but those of files and the start page: a slash, a suffix or nothing. */
    public function ending(): string
    {
        return $this->trailingSlash === TrailingSlash::Always ? '/' : $this->suffix;
    }

    /** @return array{trailingSlash: string, suffix: string, caseSensitive: bool, language: string, nativeLetters: bool} */
    public function toArray(): array
    {
        return [
            'trailingSlash' => $this->trailingSlash->value,
            'suffix' => $this->suffix,
            'caseSensitive' => $this->caseSensitive,
            'language' => $this->language,
            'nativeLetters' => $this->nativeLetters,
        ];
    }

    /** @param  array<string, mixed>  $kept  as toArray() gave it */
    public static function fromArray(array $kept): self
    {
        return new self(
            TrailingSlash::from((string) $kept['trailingSlash']),
            (string) $kept['suffix'],
            (bool) $kept['caseSensitive'],
            (string) $kept['language'],
            (bool) $kept['nativeLetters'],
        );
    }
}
