<?php

declare(strict_types=1);

namespace App\Console;

use App\Desk\ApplyChanges;
use App\Desk\BringIn\GiveSource;
use App\Desk\BringIn\PlaceSource;
use App\Desk\Rights;
use App\Desk\RippleChanged;
use App\Models\Membership;
use App\Models\Page;
use App\Models\Site;
use App\Models\SiteImport;
use App\Models\User;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\Pages\PlacedPage;
use Heronstem\Core\Interchange\Pages\PlacedSource;
use Heronstem\Core\Refusal;
use Heronstem\Core\Workspace\Authority;
use Illuminate\Console\Command;
use ZipArchive;

/** Brings a file or a folder into a site as one change, or says what would come of it. */
final class Import extends Command
{
    use NamesSite;

    protected $signature = 'heronstem:import
        {source : a file or a folder}
        {--site= : key of the site}
        {--format= : table, sitemap, addresses, log, html, opml, markdown or json; otherwise what it looks like}
        {--as=draft : in what state pages come: draft, live or given}
        {--under= : address of the page below which they stand}
        {--gaps=sections : what becomes of places between addresses: sections or skip}
        {--leave-known : pages that are there already stay as they are}
        {--menus : menus that are found come along}
        {--by= : mail address of whoever brings it in; otherwise the first owner}
        {--dry-run : say what would come of it, and write nothing}
        {--json}';

    protected $description = 'Bring a file or a folder of pages into a site';

    public function handle(GiveSource $give, PlaceSource $place, ApplyChanges $apply): int
    {
        $site = $this->site();
        if ($site === null) {
            return self::FAILURE;
        }
        $import = null;
        try {
            $import = $this->given($give, $site);
            if ($import->state !== 'ready') {
                return $this->fault((string) $import->problem);
            }
            $placed = $place->of($import);
            $this->tell($placed, $import);
            if ($this->option('dry-run') !== true) {
                $batch = new Batch(
                    (new ChangeReader($site->rules(), $site->zone))->batch([['kind' => 'bring-in', 'import' => $import->ulid]])->changes,
                );
                $entry = $apply->apply($site, $import->user, $batch, rights: Rights::of(Authority::Owner));
                $this->option('json') === true ?: $this->line(str_replace('*', '', $entry->sentence).'. Undo it in the history.');
            }

            return self::SUCCESS;
        } catch (Refusal $no) {
            return $this->fault($no->reason);
        } catch (RippleChanged $open) {
            foreach ($open->ripple->toDecide->conflicts as $conflict) {
                $this->error("{$conflict->address->readable()} is taken.");
            }

            return $this->fault('Nothing was imported. Import it in the editor, where each of these can be decided.');
        } finally {
            $import === null ?: $give->discard($import->refresh());
        }
    }

    private function given(GiveSource $give, Site $site): SiteImport
    {
        $path = (string) $this->argument('source');
        if (! is_file($path) && ! is_dir($path)) {
            throw new InputRefused('source', "There is neither a file nor a folder $path.");
        }
        $under = $this->option('under');
        $said = array_filter(
            [
                'format' => $this->option('format'),
                'as' => $this->option('as'),
                'gaps' => $this->option('gaps'),
                'under' => is_string($under) && $under !== ''
                        ? Page::query()->where('site_id', $site->id)->where('address', $under)->value('ulid') ??
                            throw new InputRefused('under', "There is no page at $under.")
                        : null,
                'changesKnown' => $this->option('leave-known') !== true,
                'menus' => $this->option('menus') === true ? range(0, 9) : null,
            ],
            static fn (mixed $value): bool => $value !== null,
        );
        $packed = is_dir($path) ? self::packed($path) : $path;
        try {
            $stream = fopen($packed, 'rb') ?: throw new InputRefused('source', "$path cannot be read.");
            $import = $give->give($site, $this->by($site), basename($path), $stream, 'file', $said);
        } finally {
            $packed === $path ?: @unlink($packed);
        }
        if ($import->state === 'reading') {
            $give->read($import);
        }

        return $import->refresh();
    }

    private function by(Site $site): ?User
    {
        $mail = $this->option('by');

        return is_string($mail) && $mail !== ''
            ? User::query()->where('email', $mail)->first()
            : Membership::query()
                ->where('site_id', $site->id)
                ->whereHas('roles', static fn ($query) => $query->where('key', 'owner'))
                ->orderBy('id')
                ->first()?->user;
    }

    /** A folder as a ZIP file: both are read the same way, with the same bounds. */
    private static function packed(string $folder): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'heronstem-in');
        $zip = new ZipArchive();
        $zip->open($path, ZipArchive::CREATE | ZipArchive::OVERWRITE);
        $root = rtrim((string) realpath($folder), '/').'/';
        $files = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($root, \FilesystemIterator::SKIP_DOTS));
        foreach ($files as $file) {
            // What links lead to is no part of the folder.
            if ($file instanceof \SplFileInfo && $file->isFile() && ! $file->isLink()) {
                $zip->addFile($file->getPathname(), substr($file->getPathname(), strlen($root)));
            }
        }
        $zip->close();

        return $path;
    }

    private function tell(PlacedSource $placed, SiteImport $import): void
    {
        if ($this->option('json') === true) {
            $this->line(
                (string) json_encode(
                    [
                        'format' => $import->understood['format'],
                        'counts' => $placed->counts(),
                        'redirects' => $placed->redirects(),
                        'pages' => array_map(
                            static fn (PlacedPage $page): array => [
                                'at' => $page->given->at,
                                'status' => $page->status->value,
                                'name' => $page->after?->name,
                                'address' => $page->address?->path,
                                'remarks' => array_map(static fn ($remark): array => $remark->toArray(), $page->remarks),
                            ],
                            $placed->pages,
                        ),
                    ],
                    JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
                ),
            );

            return;
        }
        $words = [
            'new' => 'new',
            'between' => 'sections in between',
            'changed' => 'changed',
            'same' => 'the same already',
            'left' => 'left as they are',
            'refused' => 'not taken',
        ];
        $counts = array_filter($placed->counts());
        $this->line(
            'Read as '.
                $import->understood['format'].
                ': '.
                implode(', ', array_map(static fn (string $status, int $n): string => "$n {$words[$status]}", array_keys($counts), $counts)).
                '; '.
                $placed->redirects().
                ' further addresses lead to them.',
        );
        foreach ($placed->pages as $page) {
            foreach ($page->remarks as $remark) {
                $remark->refuses
                    ? $this->warn("{$page->given->at}: {$remark->reason}")
                    : ($this->option('dry-run') === true
                        ? $this->line("{$page->given->at}: {$remark->reason}")
                        : null);
            }
        }
    }

    private function fault(string $why): int
    {
        $this->error($why);

        return self::FAILURE;
    }
}
