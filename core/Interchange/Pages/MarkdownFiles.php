<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Heronstem\Core\Identity;
use Heronstem\Core\Interchange\TableText;

/**
 * A folder of Markdown files: a file is a page, `index.md`, `_index.md` and `README.md` are the page of their folder. Front matter
 * says the rest, under the names that taking out writes and under those in common use.
 */
final class MarkdownFiles
{
    private const FOLDER = '/(?:^|\/)(?:_?index|readme)$/i';

    /**
     * @param  iterable<string, string>  $files  texts by path in the folder
     * @return iterable<GivenPage>
     */
    public static function pages(iterable $files): iterable
    {
        foreach ($files as $path => $text) {
            if (preg_match('/\.(?:md|markdown)$/i', $path) === 1) {
                yield self::page($path, TableText::decoded($text));
            }
        }
    }

    private static function page(string $path, string $file): GivenPage
    {
        $front = FrontMatter::of($file);
        $text = ltrim($front->text, "\r\n");
        $heading = $front->text('heading');
        // A first heading of the first level is the heading of the page, not part of its content.
        if (preg_match('/^#[ \t]+(.+?)[ \t]*#*[ \t]*(?:\R|$)/', $text, $of) === 1) {
            $heading ??= trim($of[1]);
            $text = ltrim(substr($text, strlen($of[0])), "\r\n");
        }
        $name = $front->text('name', 'title', 'linkTitle', 'menu_title') ?? $heading;
        $settings = [];
        foreach (['index', 'follow'] as $flag) {
            if ($front->flag($flag) !== null) {
                $settings[$flag] = $front->flag($flag);
            }
        }
        if ($front->text('canonical') !== null) {
            $settings['canonical'] = $front->text('canonical');
        }
        $isDraft = $front->flag('draft');
        $id = $front->text('id');

        return new GivenPage(
            $path,
            id: Identity::names($id) ? $id : null,
            address: $front->text('address', 'url', 'permalink') ?? self::address($path),
            name: $name,
            slug: $front->text('slug'),
            kind: $front->text('kind'),
            leadsTo: $front->text('leadsTo'),
            layout: $front->text('layout'),
            texts: array_filter(
                [
                    'heading' => $heading,
                    'summary' => $front->text('summary', 'excerpt'),
                    'searchTitle' => $front->text('searchTitle', 'seo_title'),
                    'searchDescription' => $front->text('description', 'searchDescription'),
                    'socialTitle' => $front->text('socialTitle'),
                    'socialDescription' => $front->text('socialDescription'),
                ],
                static fn (?string $said): bool => $said !== null,
            ),
            settings: $settings,
            fields: is_array($front->said['fields'] ?? null) ? $front->said['fields'] : [],
            state: $front->text('state') ?? ($isDraft === null ? null : ($isDraft ? 'draft' : 'live')),
            listed: $front->flag('listed'),
            tags: $front->texts('tags'),
            content: trim($text) === '' ? null : new GivenContent(ContentForm::Markdown, $text),
            former: $front->texts('former', 'aliases', 'redirect_from') ?? [],
            remarks: $front->fault === null ? [] : [Remark::refusing('front matter', $front->fault)],
        );
    }

    private static function address(string $path): string
    {
        $bare = (string) preg_replace('/\.(?:md|markdown)$/i', '', $path);
        $bare = (string) preg_replace(self::FOLDER, '', $bare);

        return '/'.implode('/', array_map(rawurlencode(...), array_filter(explode('/', $bare), static fn (string $part): bool => $part !== '')));
    }
}
