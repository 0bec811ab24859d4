<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/**
 * A page, its site and whoever runs it, as linked data that engines read (JSON-LD 1.1, schema.org): Organization, WebSite,
 * WebPage, and BreadcrumbList but on the start page.
 */
final class StructuredData
{
    private const FLAGS = JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_HEX_TAG | JSON_HEX_AMP;

    /**
     * @param  list<array{name: string, address: string}>  $way  from the start page to the page itself; empty on the start page
     * @param  string|null  $search  address of the site's own search, to which `?q=` is added; null where it has none
     * @param  array<string, mixed>  $about  what the page is about, as a node of its own; empty for nothing by itself
     * @return string for a script element
     */
    public static function of(HeadTags $tags, SiteFacts $site, array $way, ?string $search = null, array $about = []): string
    {
        $website = ['@type' => 'WebSite', '@id' => "{$site->origin}/#website", 'url' => "{$site->origin}/", 'name' => $site->name];
        $graph = [
            ['@type' => 'Organization', '@id' => "{$site->origin}/#organization", 'name' => $site->name, 'url' => "{$site->origin}/"],
            [
                ...$website,
                'inLanguage' => $site->language,
                'publisher' => ['@id' => "{$site->origin}/#organization"],
                ...$search === null ? [] : ['potentialAction' => self::searching($site->origin.$search)],
            ],
            array_filter([
                '@type' => 'WebPage',
                '@id' => "{$tags->url}#webpage",
                'url' => $tags->url,
                'name' => $tags->title->text,
                'description' => $tags->description->text,
                'inLanguage' => $site->language,
                'isPartOf' => ['@id' => "{$site->origin}/#website"],
                'breadcrumb' => $way === [] ? [] : ['@id' => "{$tags->url}#breadcrumb"],
                'mainEntity' => $about === [] ? [] : ['@id' => "{$tags->url}#about"],
                'primaryImageOfPage' => $tags->picture === null ? [] : ['@type' => 'ImageObject', 'url' => $tags->picture],
            ]),
        ];
        if ($about !== []) {
            $graph[] = ['@id' => "{$tags->url}#about", ...$about];
        }
        if ($way !== []) {
            $graph[] = ['@type' => 'BreadcrumbList', '@id' => "{$tags->url}#breadcrumb", 'itemListElement' => self::items($way, $site->origin)];
        }

        return json_encode(['@context' => 'https://schema.org', '@graph' => $graph], self::FLAGS);
    }

    /** @return array<string, mixed> */
    private static function searching(string $url): array
    {
        return [
            '@type' => 'SearchAction',
            'target' => ['@type' => 'EntryPoint', 'urlTemplate' => "$url?q={search_term_string}"],
            'query-input' => 'required name=search_term_string',
        ];
    }

    /**
     * @param  list<array{name: string, address: string}>  $way
     * @return list<array<string, mixed>>
     */
    private static function items(array $way, string $origin): array
    {
        return array_map(
            static fn (array $step, int $n): array => [
                '@type' => 'ListItem',
                'position' => $n + 1,
                'name' => $step['name'],
                'item' => $origin.$step['address'],
            ],
            $way,
            array_keys($way),
        );
    }
}
