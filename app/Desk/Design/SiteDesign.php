<?php

declare(strict_types=1);

namespace App\Desk\Design;

use App\Models\Site;
use Illuminate\Contracts\View\Factory as Views;
use Illuminate\View\Factory;
use Illuminate\View\FileViewFinder;

/**
 * The design of a site: a folder of its own whose templates, styles and fonts come before those that ship. What it does not have
 * is as it ships, so that a design is as small as what it changes. Described in docs/guide/design.md.
 */
final class SiteDesign
{
    /** Under which its files are served. */
    public const PATH = '/_design/';

    /** Files that are served, by ending. Nothing that runs. */
    private const TYPES = [
        'css' => 'text/css; charset=utf-8',
        'woff2' => 'font/woff2',
        'woff' => 'font/woff',
        'svg' => 'image/svg+xml',
        'png' => 'image/png',
        'jpg' => 'image/jpeg',
        'webp' => 'image/webp',
        'ico' => 'image/x-icon',
    ];

    private const NAME = '/^[a-z0-9][a-z0-9-]{0,39}$/D';

    private ?string $laid = null;

    public function __construct(private readonly Views $views)
    {
    }

    /** @return list<string> the designs that there are besides the one that ships, by name */
    public static function all(): array
    {
        $folders = array_map(basename(...), glob(config('heronstem.designs').'/*', GLOB_ONLYDIR) ?: []);

        return array_values(array_filter($folders, static fn (string $name): bool => preg_match(self::NAME, $name) === 1));
    }

    /**
     * With the site's templates before those that ship.
     *
     * @template T
     *
     * @param  \Closure(): T  $show
     * @return T
     */
    public function during(Site $site, \Closure $show): mixed
    {
        $folder = self::folder($site);
        $finder = $this->views instanceof Factory ? $this->views->getFinder() : null;
        if ($folder === null || $folder === $this->laid || ! ($finder instanceof FileViewFinder)) {
            return $show();
        }
        [$paths, $hints] = [array_values($finder->getPaths()), array_values($finder->getHints()['layout'] ?? [])];

        return $this->laid($folder, ["$folder/views", ...$paths], ["$folder/layouts", ...$hints], $finder, $show);
    }

    public function isLaid(): bool
    {
        return $this->laid !== null;
    }

    /**
     * Without the design that is laid before what ships: where its templates fail.
     *
     * @template T
     *
     * @param  \Closure(): T  $show
     * @return T
     */
    public function aside(\Closure $show): mixed
    {
        $finder = $this->views instanceof Factory ? $this->views->getFinder() : null;
        if ($this->laid === null || ! ($finder instanceof FileViewFinder)) {
            return $show();
        }
        $ships = fn (array $paths): array => array_values(array_filter($paths, fn (string $path): bool => ! str_starts_with($path, "$this->laid/")));

        return $this->laid(null, $ships($finder->getPaths()), $ships($finder->getHints()['layout'] ?? []), $finder, $show);
    }

    /**
     * @template T
     *
     * @param  list<string>  $paths
     * @param  list<string>  $layouts
     * @param  \Closure(): T  $show
     * @return T
     */
    private function laid(?string $folder, array $paths, array $layouts, FileViewFinder $finder, \Closure $show): mixed
    {
        [$before, $pathsBefore, $layoutsBefore] = [$this->laid, $finder->getPaths(), $finder->getHints()['layout'] ?? []];
        $lay = function (?string $folder, array $paths, array $layouts) use ($finder): void {
            $this->laid = $folder;
            $finder->setPaths($paths);
            $finder->replaceNamespace('layout', $layouts);
            $finder->flush();
        };
        $lay($folder, $paths, $layouts);
        try {
            return $show();
        } finally {
            $lay($before, $pathsBefore, $layoutsBefore);
        }
    }

    /** Where its styles are served; null where it has none. Another address whenever they change, so that they may be kept. */
    public static function styles(Site $site): ?string
    {
        $file = self::folder($site);

        return $file !== null && is_file("$file/files/site.css")
            ? self::PATH.'site.css?v='.substr(md5_file("$file/files/site.css") ?: '', 0, 8)
            : null;
    }

    /** Whether its styles stand alone, rather than after those that ship. */
    public static function standsAlone(Site $site): bool
    {
        $folder = self::folder($site);

        return $folder !== null && is_file("$folder/files/alone.css");
    }

    /** @return array{string, string}|null path and type of a file of the design */
    public static function file(Site $site, string $name): ?array
    {
        $folder = self::folder($site);
        $type = self::TYPES[strtolower(pathinfo($name, PATHINFO_EXTENSION))] ?? null;
        if (
            $folder === null ||
            $type === null ||
            preg_match('#^[A-Za-z0-9][A-Za-z0-9._-]*(?:/[A-Za-z0-9][A-Za-z0-9._-]*)*$#D', $name) !== 1 ||
            str_contains($name, '..')
        ) {
            return null;
        }

        return is_file("$folder/files/$name") ? ["$folder/files/$name", $type] : null;
    }

    private static function folder(Site $site): ?string
    {
        $folder = config('heronstem.designs')."/{$site->design}";

        return preg_match(self::NAME, $site->design) === 1 && is_dir($folder) ? $folder : null;
    }
}
