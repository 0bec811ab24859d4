<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

use Heronstem\Core\Content\Block\Attributes;
use Heronstem\Core\Linking\OwnAddress;

/**
 * Where a link leads: to a page by its identity, to a file by its, to an address as it is written, or to a page that is
 * wanted and not there yet, by the name it shall have.
 */
final readonly class LinkAttributes
{
    private const LEADS = 'A link leads to a page, to a web address with https:// or http://, to an address of this site beginning with a slash, or to a mail address.';

    /**
     * @return array<string, string|bool>
     *
     * @throws InvalidDocument
     */
    public static function read(Attributes $attributes): array
    {
        $title = $attributes->line('title', 200);

        return self::target($attributes) + ($title === '' ? [] : ['title' => $title]) + ($attributes->flag('newWindow') ? ['newWindow' => true] : []);
    }

    /**
     * The same link leading to a page; query and fragment of an address stay with it.
     *
     * @param  array<string, mixed>  $link
     * @return array<string, mixed>
     */
    public static function toPage(array $link, string $page): array
    {
        $rest = OwnAddress::rest($link['href'] ?? '');
        unset($link['href'], $link['wanted']);

        return ['page' => $page] + ($rest === '' ? [] : ['rest' => $rest]) + $link;
    }

    /** @return array<string, string> */
    private static function target(Attributes $attributes): array
    {
        if ($attributes->has('page')) {
            return ['page' => $attributes->identity('page')] + self::rest($attributes);
        }
        if ($attributes->has('file')) {
            return ['file' => $attributes->identity('file')];
        }
        if ($attributes->has('wanted')) {
            return ['wanted' => $attributes->needed('wanted', 'Say how the page shall be called that is not there yet.', 200)];
        }
        $href = $attributes->line('href', 2000);
        if (
            preg_match('#^(?:https?://[^\s/]|mailto:[^\s@]+@[^\s@]+$|tel:[+0-9]|/(?!/)|\#)#iD', $href) !== 1 ||
            preg_match('/[\x00-\x20\\\\]/', $href) === 1
        ) {
            throw $attributes->refusal('href', self::LEADS, 'https://'.ltrim($href, '/'));
        }

        return ['href' => $href];
    }

    /** @return array<string, string> */
    private static function rest(Attributes $attributes): array
    {
        $rest = $attributes->line('rest', 2000);
        if ($rest !== '' && preg_match('/^[?#][^\\x00-\\x20\\\\]*$/D', $rest) !== 1) {
            throw $attributes->refusal('rest', 'What follows a page in a link is a query or a fragment, beginning with ? or #.', '#');
        }

        return $rest === '' ? [] : ['rest' => $rest];
    }
}
