<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/**
 * What sites that show films say of one by oEmbed (oembed.com, 1.0), and which site is asked about an address. Which sites there
 * are is data: each with the addresses that it is asked about (`*` for anything), where it is asked, and what its frames begin with.
 */
final readonly class OEmbed
{
    /** @param  list<array{name: string, addresses: list<string>, endpoint: string, frames: list<string>}>  $providers */
    public function __construct(private array $providers)
    {
    }

    /** Where is asked about the address; null where no site is known for it. */
    public function question(string $address): ?string
    {
        $provider = $this->provider($address);

        return $provider === null
            ? null
            : $provider['endpoint'].
                    (str_contains($provider['endpoint'], '?') ? '&' : '?').
                    http_build_query(['url' => $address, 'format' => 'json']);
    }

    /**
     * What was answered: how it plays, what it is called, and the picture for it.
     *
     * @return array{film: Film, title: string, picture: string|null}|null where the answer is no film that may be shown
     */
    public function answer(string $address, string $json): ?array
    {
        $said = json_decode($json, true, 16);
        $provider = $this->provider($address);
        if (! is_array($said) || $provider === null || ($said['type'] ?? '') !== 'video' || ! is_string($said['html'] ?? null)) {
            return null;
        }
        $frame = self::frame($said['html']);
        $isKnown = $frame !== null && array_filter($provider['frames'], static fn (string $begins): bool => str_starts_with($frame, $begins)) !== [];
        if (! $isKnown) {
            return null;
        }
        $side = static fn (string $name, int $else): int => is_numeric($said[$name] ?? null) ? max(1, min(10_000, (int) $said[$name])) : $else;
        $picture = $said['thumbnail_url'] ?? null;

        return [
            'film' => new Film((string) $frame, $side('width', 1280), $side('height', 720)),
            'title' => is_string($said['title'] ?? null) ? mb_substr(trim(strip_tags($said['title'])), 0, 200) : '',
            'picture' => is_string($picture) && preg_match('#^https?://#i', $picture) === 1 ? $picture : null,
        ];
    }

    /** @return list<string> what the sites are called */
    public function names(): array
    {
        return array_column($this->providers, 'name');
    }

    /** @return array{name: string, addresses: list<string>, endpoint: string, frames: list<string>}|null */
    private function provider(string $address): ?array
    {
        foreach ($this->providers as $provider) {
            foreach ($provider['addresses'] as $pattern) {
                if (preg_match('#^'.str_replace('\*', '.*', preg_quote($pattern, '#')).'$#iD', $address) === 1) {
                    return $provider;
                }
            }
        }

        return null;
    }

    /** The address of the one frame in what was answered; whatever else is in it is unused. */
    private static function frame(string $html): ?string
    {
        if (preg_match('/<iframe\s[^>]*\bsrc\s*=\s*(?:"([^"]+)"|\'([^\']+)\')/i', $html, $found) !== 1) {
            return null;
        }
        $source = html_entity_decode($found[1] !== '' ? $found[1] : $found[2], ENT_QUOTES | ENT_HTML5);
        $source = str_starts_with($source, '//') ? "https:$source" : $source;

        return preg_match('#^https://[^\s/?\#"<>\\\\@]+/[^\s"<>\\\\]*$#iD', $source) === 1 ? $source : null;
    }
}
