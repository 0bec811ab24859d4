<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Heronstem\Core\Address\UrlPath;

/** Relative references resolved (RFC 3986, section 5.2). */
final class RelativeAddress
{
    /**
     * @param  string  $written  as it stands in a link: whole, from the top, or relative
     * @param  string  $base  address of the page it stands on: a path, or with scheme and host
     */
    public static function resolved(string $written, string $base): string
    {
        if ($written === '' || str_starts_with($written, '#') || preg_match('/^[a-z][a-z0-9+.-]*:/i', $written) === 1) {
            return $written;
        }
        preg_match('#^((?:(?:https?:)?//[^/?\#]*)?)([^?\#]*)#i', $base, $of);
        [$origin, $path] = [$of[1] ?? '', $of[2] ?? ''];
        if (str_starts_with($written, '//')) {
            return (str_starts_with($origin, 'http') ? (string) strtok($origin, '/') : 'https:').$written;
        }
        $end = strcspn($written, '?#');
        $rest = substr($written, $end);
        $to = substr($written, 0, $end);
        if ($to === '') {
            return $origin.($path === '' ? '/' : $path).$rest;
        }
        if (! str_starts_with($to, '/')) {
            $to = substr($path, 0, (int) strrpos($path, '/') + 1).$to;
        }

        return $origin.UrlPath::parse($to[0] === '/' ? $to : "/$to").$rest;
    }
}
