<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/** What a page's `<head>` tells search engines and social cards. */
final readonly class HeadTags
{
    private function __construct(
        public SearchTitle $title,
        public SearchDescription $description,
        public string $canonical,
        public string $siteName,
        public string $language,
        public ?string $picture,
    ) {
    }

    /** The canonical address is the page's own (RFC 6596). */
    public static function of(PageFacts $page, SiteFacts $site): self
    {
        return new self(
            SearchTitle::of($page, $site),
            SearchDescription::of($page, $site),
            $site->origin.$page->address,
            $site->name,
            $site->language,
            $page->picture === null ? null : $site->origin.$page->picture,
        );
    }

    /** @return array<string, string> Open Graph properties, in order */
    public function openGraph(): array
    {
        return array_filter(
            [
                'og:type' => 'website',
                'og:site_name' => $this->siteName,
                'og:title' => $this->title->text,
                'og:description' => $this->description->text,
                'og:url' => $this->canonical,
                'og:locale' => str_replace('-', '_', $this->language),
                'og:image' => (string) $this->picture,
            ],
            static fn (string $value): bool => $value !== '',
        );
    }
}
