<?php

declare(strict_types=1);

namespace App\Desk\TakeOut;

use App\Desk\Sites\CopiedPart;
use App\Models\File;
use App\Models\Page;
use App\Models\SharedPiece;
use App\Models\Site;
use App\Store\ExportedPages;
use App\Store\StoredMenus;
use App\Store\StoredRules;
use Heronstem\Core\Interchange\Pages\SiteFile;
use Heronstem\Core\Interchange\Pages\SiteRecord;
use Heronstem\Core\Menu\MenuFile;
use Heronstem\Core\Redirect\RuleReader;
use Illuminate\Contracts\Filesystem\Factory as Disks;
use Illuminate\Database\ConnectionInterface;

/** A site as one JSON document, read again to an equal site. Of a branch its pages, with the files and pieces that they use. */
final readonly class WriteSiteFile
{
    public function __construct(private ConnectionInterface $db, private ExportedPages $pages, private Disks $disks)
    {
    }

    /** @return iterable<string> */
    public function pieces(Site $site, ?Page $branch, CopiedPart $part = CopiedPart::All): iterable
    {
        if ($part === CopiedPart::Structure) {
            return SiteFile::write($this->site($site), ['pages' => $this->structure($site), 'menus' => $this->menus($site)]);
        }

        return SiteFile::write($this->site($site), [
            'files' => $this->files($site, $branch),
            'pieces' => $this->sharedPieces($site, $branch),
            'pages' => $this->pages($site, $branch),
            ...$branch === null ? ['menus' => $this->menus($site), 'redirects' => $this->redirects($site)] : [],
        ]);
    }

    /** @return array<string, mixed> */
    private function site(Site $site): array
    {
        return [
            'name' => $site->name,
            'shortName' => $site->short_name,
            'tagline' => $site->tagline,
            'summary' => $site->description,
            'design' => $site->design,
            'origin' => $site->origin,
            'language' => $site->language,
            'zone' => $site->zone,
            'addresses' => [
                'trailingSlash' => $site->trailing_slash,
                'suffix' => $site->suffix,
                'caseSensitive' => $site->case_sensitive,
                'nativeLetters' => $site->native_letters,
            ],
            'search' => json_decode($site->searchSettings()->toText() ?: '{}', true, flags: JSON_THROW_ON_ERROR) ?: new \stdClass(),
        ];
    }

    /** @return iterable<array<string, mixed>> */
    private function pages(Site $site, ?Page $branch): iterable
    {
        $starts = array_flip(
            array_filter([
                'visitors' => Page::query()->whereKey($site->start_page_id)->value('ulid'),
                'signed-in' => Page::query()->whereKey($site->start_page_signed_in_id)->value('ulid'),
            ]),
        );
        foreach ($this->pages->all($site, $branch) as [$page, $content, $live, $former, $also]) {
            $record = SiteRecord::write($page, $content, $live, $former, $also, $starts[$page->id] ?? null);
            if ($branch !== null && $page->id === $branch->ulid) {
                unset($record['parent']);
            }
            yield $record;
        }
    }

    /** @return iterable<array<string, mixed>> pages without what they say */
    private function structure(Site $site): iterable
    {
        $kept = ['id', 'parent', 'name', 'slug', 'slugFollows', 'address', 'kind', 'leadsTo', 'leftOut', 'pinned', 'unlisted', 'layout', 'start'];
        foreach ($this->pages($site, null) as $record) {
            $isDownload = ($record['kind'] ?? '') === 'download';
            yield array_intersect_key(
                $isDownload ? ['kind' => 'section'] + array_diff_key($record, ['leadsTo' => true]) : $record,
                array_fill_keys($kept, true),
            );
        }
    }

    /** @return iterable<array<string, mixed>> */
    private function files(Site $site, ?Page $branch): iterable
    {
        $disk = $this->disks->disk(config('heronstem.files_disk'));
        foreach (
            File::query()
                ->where('site_id', $site->id)
                ->whereNull('binned_at')
                ->whereRaw(...self::usedIn($branch, 'file_uses', 'file'))
                ->orderBy('id')
                ->lazyById(50) as $file
        ) {
            $bytes = $disk->get($file->path);
            if ($bytes !== null) {
                yield array_filter(
                    [
                        'id' => $file->ulid,
                        'name' => $file->name,
                        'folder' => $file->folder,
                        'alt' => $file->alt,
                        'caption' => $file->caption,
                        'focusX' => $file->focus_x,
                        'focusY' => $file->focus_y,
                        'bytes' => base64_encode($bytes),
                    ],
                    static fn (mixed $said): bool => $said !== null && $said !== '',
                );
            }
        }
    }

    /** @return iterable<array<string, mixed>> */
    private function sharedPieces(Site $site, ?Page $branch): iterable
    {
        foreach (
            SharedPiece::query()->where('site_id', $site->id)->whereRaw(...self::usedIn($branch, 'piece_uses', 'piece'))->orderBy('id')->lazyById(100) as $piece
        ) {
            yield ['id' => $piece->ulid, 'name' => $piece->name, 'content' => $piece->document];
        }
    }

    /** @return array{string, list<mixed>} the condition that pages of a branch use it; none for the whole site */
    private static function usedIn(?Page $branch, string $table, string $column): array
    {
        return $branch === null
            ? ['true', []]
            : ["ulid in (select u.$column from $table u join pages p on p.id = u.page_id where p.path <@ ?::ltree)", [$branch->path]];
    }

    /** @return iterable<array<string, mixed>> in the form of menu files, with their places */
    private function menus(Site $site): iterable
    {
        foreach ((new StoredMenus($this->db, $site))->all() as $menu) {
            $named = $menu->pagesNamed();
            $addresses = Page::query()->where('site_id', $site->id)->whereIn('ulid', $named)->pluck('address', 'ulid')->all();
            $file = json_decode(MenuFile::json($menu, $addresses), true, flags: JSON_THROW_ON_ERROR);
            unset($file['format'], $file['version']);
            yield ['place' => $menu->place, ...$file];
        }
    }

    /** @return iterable<array<string, mixed>> */
    private function redirects(Site $site): iterable
    {
        foreach ((new StoredRules($this->db, $site))->everyRule() as $rule) {
            yield array_filter(RuleReader::written($rule), static fn (mixed $said): bool => $said !== null && $said !== '');
        }
    }
}
