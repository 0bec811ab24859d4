<?php

declare(strict_types=1);

namespace App\Http\Site;

use Heronstem\Core\Content\Code\HeadLines;

/**
 * What browsers may do on the pages of a site (Content Security Policy Level 3): what comes from the site itself, and besides
 * exactly what its owner wrote for a page, and the films on it.
 */
final readonly class SitePolicy
{
    private const DIRECTIVES = [
        'default-src' => "'none'",
        'script-src' => "'self'",
        'style-src' => "'self'",
        'img-src' => "'self' data:",
        'media-src' => "'self'",
        'font-src' => "'self'",
        'connect-src' => "'self'",
        'form-action' => "'self'",
        'base-uri' => "'none'",
        'frame-ancestors' => "'none'",
    ];

    /** @param  array<string, list<string>>  $more  sources by directive */
    private function __construct(private array $more = [])
    {
    }

    /** @return array<string, string> what every answer of a site tells browsers, where it tells nothing else */
    public static function headers(): array
    {
        return [
            'Content-Security-Policy' => self::plain()->header(),
            'X-Content-Type-Options' => 'nosniff',
            'Referrer-Policy' => 'strict-origin-when-cross-origin',
            'Permissions-Policy' => 'camera=(), geolocation=(), microphone=()',
        ];
    }

    public static function plain(): self
    {
        return new self();
    }

    /** @param  list<string>  $hosts  of films */
    public function withFilms(array $hosts): self
    {
        return $this->with('frame-src', $hosts);
    }

    /** @param  string  $styles  that stand in the page, to the letter */
    public function withCode(string $styles, HeadLines $head): self
    {
        return $this->with('style-src', $styles === '' ? [] : ["'sha256-".base64_encode(hash('sha256', $styles, true))."'"])
            ->with('script-src', [...$head->hashes, ...$head->scripts])
            ->with('connect-src', $head->hosts)
            ->with('img-src', $head->hosts);
    }

    public function header(): string
    {
        $directives = array_map(static fn (string $own): array => [$own], self::DIRECTIVES);
        foreach ($this->more as $directive => $sources) {
            $directives[$directive] = [...$directives[$directive] ?? [], ...$sources];
        }

        return implode(
            '; ',
            array_map(static fn (string $name, array $sources): string => $name.' '.implode(' ', $sources), array_keys($directives), $directives),
        );
    }

    /** @param  list<string>  $sources */
    private function with(string $directive, array $sources): self
    {
        return $sources === []
            ? $this
            : new self([...$this->more, $directive => array_values(array_unique([...$this->more[$directive] ?? [], ...$sources]))]);
    }
}
