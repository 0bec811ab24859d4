<?php

declare(strict_types=1);

namespace App\Desk\TakeOut;

use Heronstem\Core\Address\NormalForm;

/** Where addresses of a site lie as files in a folder, and how one leads to another there: from a disk as well as from a web server. */
final class StaticPaths
{
    /** @var array<string, string> files by address, of the pages that come along */
    private array $pages = [];

    /** @var array<string, string> files by address, of pictures, styles and the like that pages name */
    public array $assets = [];

    public function __construct(private readonly string $origin)
    {
    }

    public function add(string $address): string
    {
        $readable = ltrim(NormalForm::readable($address), '/');
        $ending = pathinfo($readable, PATHINFO_EXTENSION);

        return $this->pages[$address] = match (true) {
            $readable === '' => 'index.html',
            $ending !== '' &&
                preg_match('/^[A-Za-z0-9]{1,8}$/D', $ending) === 1 &&
                preg_match('/[A-Za-z]/', $ending) === 1 &&
                ! str_ends_with($readable, '/') => $readable,
            default => rtrim($readable, '/').'/index.html',
        };
    }

    /** The same page with links that lead to files of the folder; those that lead to what does not come along stay whole. */
    public function localized(string $html, string $file): string
    {
        $turn = fn (array $of): string => $of[1].
            '="'.
            htmlspecialchars($this->to(html_entity_decode($of[2], ENT_QUOTES | ENT_HTML5), $file), ENT_QUOTES | ENT_HTML5).
            '"';
        $html = (string) preg_replace_callback('/(?<=\s)(href|src|poster|action|data-film|data-src)="([^"]*)"/', $turn, $html);

        return (string) preg_replace_callback(
            '/(?<=\s)((?:image)?srcset)="([^"]*)"/',
            fn (array $of): string => $of[1].
                '="'.
                htmlspecialchars(
                    implode(
                        ', ',
                        array_map(function (string $each) use ($file): string {
                            [$address, $size] = [...preg_split('/\s+/', trim($each), 2) ?: [], ''];

                            return trim($this->to((string) $address, $file).' '.$size);
                        }, explode(',', html_entity_decode($of[2], ENT_QUOTES | ENT_HTML5))),
                    ),
                    ENT_QUOTES | ENT_HTML5,
                ).
                '"',
            $html,
        );
    }

    /** Styles likewise. */
    public function localizedStyles(string $css, string $file): string
    {
        return (string) preg_replace_callback(
            '/url\(\s*([\'"]?)([^\'")]+)\1\s*\)/',
            fn (array $of): string => "url({$of[1]}".$this->to($of[2], $file)."{$of[1]})",
            $css,
        );
    }

    /** How a file of the folder, or a page outside of it, is reached from another file. */
    public function to(string $href, string $file): string
    {
        $path = str_starts_with($href, $this->origin.'/') || $href === $this->origin ? (substr($href, strlen($this->origin)) ?: '/') : $href;
        if (! str_starts_with($path, '/') || str_starts_with($path, '//')) {
            return $href;
        }
        $end = strcspn($path, '?#');
        [$address, $rest] = [substr($path, 0, $end), substr($path, $end)];
        if (preg_match('#^/_(?:files|site|design)/#', $address) === 1) {
            return self::relative($this->asset($address, (string) strtok($rest, '#')), $file);
        }
        $there = $this->pages[$address] ?? null;
        $fragment = strstr($rest, '#');

        return $there === null ? $this->origin.$path : self::relative($there, $file).($fragment === false ? '' : $fragment);
    }

    private function asset(string $address, string $query): string
    {
        $file = ltrim(rawurldecode($address), '/');
        // Of one picture there are several sizes, which the query tells apart.
        $tells = preg_replace('/[?&]v=[^&]*/', '', $query);
        if ($tells !== '' && $tells !== '?') {
            $ending = pathinfo($file, PATHINFO_EXTENSION);
            $file = substr($file, 0, strlen($file) - strlen($ending) - 1).'-'.substr(md5((string) $tells), 0, 8).".$ending";
        }
        $this->assets[$address.$query] = $file;

        return $file;
    }

    private static function relative(string $to, string $from): string
    {
        $to = explode('/', $to);
        $from = explode('/', $from);
        while (count($to) > 1 && count($from) > 1 && $to[0] === $from[0]) {
            array_shift($to);
            array_shift($from);
        }

        return str_repeat('../', count($from) - 1).implode('/', array_map(rawurlencode(...), $to));
    }
}
