<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

/** The way from the start page to a page, as data for search engines (schema.org BreadcrumbList, JSON-LD 1.1). */
final class Breadcrumbs
{
    /**
     * @param  list<array{name: string, address: string}>  $crumbs  from the start page down, the page itself last
     * @param  string  $origin  scheme and host of the site
     * @return string JSON that is safe inside a script element
     */
    public static function data(array $crumbs, string $origin): string
    {
        $items = [];
        foreach ($crumbs as $n => $crumb) {
            $items[] = ['@type' => 'ListItem', 'position' => $n + 1, 'name' => $crumb['name'], 'item' => $origin.$crumb['address']];
        }

        return json_encode(
            ['@context' => 'https://schema.org', '@type' => 'BreadcrumbList', 'itemListElement' => $items],
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_HEX_TAG | JSON_HEX_AMP,
        );
    }
}
