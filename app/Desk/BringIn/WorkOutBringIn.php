<?php

declare(strict_types=1);

namespace App\Desk\BringIn;

use App\Desk\Rights;
use App\Models\Site;
use App\Models\SiteImport;
use App\Models\User;
use App\Store\BroughtContents;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\BringIn;
use Heronstem\Core\Change\BroughtPage;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Refusal;
use Illuminate\Database\Connection;

/** What comes of bringing something in: worked out before it is planned, and its contents and files kept when it is applied. */
final readonly class WorkOutBringIn
{
    public function __construct(
        private Connection $db,
        private PlaceSource $place,
        private BroughtContents $contents,
        private KeepBroughtFiles $files,
    ) {
    }

    /** The same batch with what it brings in worked out, where it brings something in. */
    public function workedOut(Site $site, Batch $batch, Rights $rights): Batch
    {
        $changes = $batch->changes;
        foreach ($changes as $i => $change) {
            if ($change instanceof BringIn && $change->pages === null) {
                try {
                    $changes[$i] = $this->workOut($site, $change, $rights);
                } catch (Refusal $no) {
                    throw $no->within("changes.$i");
                }
            }
        }

        return $changes === $batch->changes ? $batch : new Batch($changes, $batch->decisions);
    }

    /** Before pages are written: the files that come along, and contents of pages that are there. */
    public function keepBefore(Batch $batch, Site $site, ?User $user): void
    {
        foreach ($this->broughtBy($batch, $site) as [$change, $import]) {
            $this->files->keep($import, $user);
            $this->contents($change, $import, $user, false);
        }
    }

    /** Once they are: contents of pages that are new. */
    public function keepAfter(Batch $batch, Site $site, ?User $user): void
    {
        foreach ($this->broughtBy($batch, $site) as [$change, $import]) {
            $this->contents($change, $import, $user, true);
        }
    }

    /** What was brought in is noted with the entry of the history, so that it is not brought in twice. */
    public function done(Batch $batch, Site $site, string $entry): void
    {
        foreach ($this->broughtBy($batch, $site) as [, $import]) {
            $import->update(['state' => 'applied', 'entry' => $entry]);
        }
    }

    /** @return iterable<array{BringIn, SiteImport}> */
    private function broughtBy(Batch $batch, Site $site): iterable
    {
        foreach ($batch->changes as $change) {
            if ($change instanceof BringIn) {
                yield [$change, $this->import($site, $change)];
            }
        }
    }

    private function workOut(Site $site, BringIn $change, Rights $rights): BringIn
    {
        $import = $this->import($site, $change);
        $placed = $this->place->of($import);
        $further = (new FurtherChanges($this->db, $site, $rights))->of($import, $placed);

        return $change->with($this->contents->numbered($placed->brought), $further, $placed->startPage, $placed->pageAt(...));
    }

    private function import(Site $site, BringIn $change): SiteImport
    {
        $import = SiteImport::query()->where('site_id', $site->id)->where('ulid', $change->import)->first();

        return match (true) {
            $import === null => throw new InputRefused('import', 'What was given is no longer kept. Give it again.'),
            $import->state === 'applied' => throw new InputRefused(
                'import',
                'This was imported already. Upload it again to see what is new in it.',
            ),
            ! in_array($import->state, ['ready', 'applying'], true) => throw new InputRefused(
                'import',
                'This is still being read, or could not be read.',
            ),
            default => $import,
        };
    }

    private function contents(BringIn $change, SiteImport $import, ?User $user, bool $isNew): void
    {
        /** @var array<string, BroughtPage> $pages */
        $pages = [];
        foreach ($change->pages ?? [] as $page) {
            if ($page->content !== null && $page->isNew === $isNew) {
                $pages[$page->content] = $page;
            }
        }
        if ($pages === []) {
            return;
        }
        // As it was worked out for the plan: links lead where the plan has the pages, and nothing is placed twice.
        $pageAt = $change->pageAt ?? throw new \LogicException('What is imported has not been worked out.');
        $this->contents->keep($this->ofPages($import, $pageAt, $pages), $isNew, $import->name, $user?->id);
    }

    /**
     * @param  \Closure(string): ?string  $pageAt
     * @param  array<string, BroughtPage>  $pages
     * @return iterable<array{BroughtPage, \Heronstem\Core\Content\Document|null, \Heronstem\Core\Content\Document|null}>
     */
    private function ofPages(SiteImport $import, \Closure $pageAt, array $pages): iterable
    {
        foreach ($this->place->contents($import, $pageAt, array_fill_keys(array_keys($pages), true)) as $at => [$working, $live]) {
            yield [$pages[$at], $working, $live];
        }
    }
}
