<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/** What a page's `<head>` tells search engines and social cards. */
final readonly class HeadTags
{
    /**
     * @param  string|null  $canonical  absolute URL (RFC 6596); null where the page names none
     * @param  string  $robots  what engines are asked not to do, as the robots tag says it; empty for nothing
     * @param  string  $url  absolute URL of the page itself
     */
    private function __construct(
        public SearchTitle $title,
        public SearchDescription $description,
        public ?string $canonical,
        public string $robots,
        public string $url,
        public string $siteName,
        public string $language,
        public string $socialTitle,
        public string $socialDescription,
        public ?string $picture,
    ) {
    }

    public static function of(PageFacts $page, SiteFacts $site): self
    {
        $title = SearchTitle::of($page, $site);
        $description = SearchDescription::of($page, $site);
        $url = $site->origin.$page->address;
        $socialTitle = TextPattern::fold($page->texts->socialTitle);
        $socialDescription = TextPattern::fold($page->texts->socialDescription);

        return new self(
            $title,
            $description,
            $page->canonical === null ? $url : ($page->canonical === '' ? null : $page->canonical),
            self::robots($page),
            $url,
            $site->name,
            $site->language,
            $socialTitle === '' ? $title->text : $socialTitle,
            $socialDescription === '' ? $description->text : $socialDescription,
            $page->picture === null ? null : $site->origin.$page->picture,
        );
    }

    /** Engines list and follow where nothing is said, so only what they are asked not to do is. */
    private static function robots(PageFacts $page): string
    {
        return implode(
            ', ',
            array_keys(
                array_filter(['noindex' => ! $page->listed || ! $page->settings->index(), 'nofollow' => ! $page->settings->follow()]),
            ),
        );
    }

    /** @return array<string, string> Open Graph properties, in order */
    public function openGraph(): array
    {
        return array_filter(
            [
                'og:type' => 'website',
                'og:site_name' => $this->siteName,
                'og:title' => $this->socialTitle,
                'og:description' => $this->socialDescription,
                'og:url' => $this->canonical ?? $this->url,
                'og:locale' => str_replace('-', '_', $this->language),
                'og:image' => (string) $this->picture,
            ],
            static fn (string $value): bool => $value !== '',
        );
    }

    /** @return array<string, string> names of meta tags for cards that do not read Open Graph alone */
    public function card(): array
    {
        return ['twitter:card' => $this->picture === null ? 'summary' : 'summary_large_image'];
    }

    /** The tags as they are sent, one a line, to be read and copied. */
    public function toHtml(): string
    {
        $quoted = static fn (string $text): string => htmlspecialchars($text, ENT_QUOTES | ENT_SUBSTITUTE | ENT_HTML5);
        $lines = ["<title>{$quoted($this->title->text)}</title>"];
        $named = array_filter(['description' => $this->description->text, 'robots' => $this->robots], static fn (string $value): bool => $value !== '');
        foreach ([...$named, ...$this->card()] as $name => $content) {
            $lines[] = "<meta name=\"$name\" content=\"{$quoted($content)}\">";
        }
        if ($this->canonical !== null) {
            $lines[] = "<link rel=\"canonical\" href=\"{$quoted($this->canonical)}\">";
        }
        foreach ($this->openGraph() as $property => $content) {
            $lines[] = "<meta property=\"$property\" content=\"{$quoted($content)}\">";
        }

        return implode("\n", $lines);
    }
}
