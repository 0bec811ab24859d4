<?php

declare(strict_types=1);

namespace App\Desk\Sites;

use App\Desk\ApplyChanges;
use App\Desk\BringIn\GiveSource;
use App\Desk\BringIn\PlaceSource;
use App\Desk\PlanFor;
use App\Desk\Rights;
use App\Desk\TakeOut\WriteSiteFile;
use App\Models\HistoryEntry;
use App\Models\Page;
use App\Models\Site;
use App\Models\SiteImport;
use App\Models\User;
use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\Decision\WhenUnanswered;
use Heronstem\Core\Identity;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Refusal;
use Illuminate\Database\Connection;

/**
 * Moves a branch to another site with its content, files and pieces: there it is brought in, here it goes into the bin, and every
 * address that it had redirects to where it is. A change on each site, both made or neither.
 */
final readonly class MoveBranch
{
    /** Most pages moved at once. */
    private const MAX_PAGES = 2000;

    public function __construct(
        private Connection $db,
        private WriteSiteFile $file,
        private GiveSource $give,
        private PlaceSource $place,
        private PlanFor $plan,
        private ApplyChanges $apply,
    ) {
    }

    /**
     * What would follow on both sites.
     *
     * @param  string|null  $under  page of the other site
     *
     * @throws Refusal naming what cannot be
     * @throws BeyondRights when it is not theirs to do
     */
    public function look(Page $page, Site $to, ?string $under, User $user, Rights $here, Rights $there): MovedBranch
    {
        $site = $page->site;
        if ($to->id === $site->id) {
            throw new InputRefused('to', 'This is the site that the branch is on. Move it in the outline.');
        }
        if (
            Page::query()
                ->where('site_id', $site->id)
                ->whereRaw('path <@ ?::ltree', [$page->path])
                ->count() > self::MAX_PAGES
        ) {
            throw new InputRefused(
                'page',
                sprintf(
                    'At most %s pages are moved to another site at once. Move smaller branches, or take it out and bring it in there.',
                    number_format(self::MAX_PAGES),
                ),
            );
        }
        $bytes = implode('', [...$this->file->pieces($site, $page)]);
        $import = $this->give->keep($to, $user, "{$page->name}, from {$site->name}", $bytes, 'site', [
            'as' => 'given',
            'under' => $under,
            'keepsAddresses' => false,
        ]);
        $this->give->read($import);
        if ($import->refresh()->state !== 'ready') {
            throw new InputRefused('page', (string) $import->problem);
        }

        return new MovedBranch(
            $import,
            $this->plan->of($to, $this->broughtIn($import), $there),
            $this->plan->of($site, $this->takenAway($page, $import), $here),
        );
    }

    /**
     * @param  array{string, string}|null  $seen  digests of the ripples that were shown, there and here
     * @return array{HistoryEntry, HistoryEntry} there and here
     */
    public function move(Page $page, SiteImport $import, User $user, Rights $here, Rights $there, ?array $seen): array
    {
        return $this->db->transaction(function () use ($page, $import, $user, $here, $there, $seen): array {
            $away = $this->takenAway($page, $import);
            $note = "Moved from {$page->site->name} to {$import->site->name}";
            $there = $this->apply->apply($import->site, $user, $this->broughtIn($import), $seen[0] ?? null, $note, $there);

            return [$there, $this->apply->apply($page->site, $user, $away, $seen[1] ?? null, $note, $here)];
        });
    }

    private function broughtIn(SiteImport $import): Batch
    {
        return $this->batch($import->site, [['kind' => 'bring-in', 'import' => $import->ulid]]);
    }

    /** Into the bin, with a redirect of the whole branch, and one for each address that it does not cover. */
    private function takenAway(Page $page, SiteImport $import): Batch
    {
        $site = $page->site;
        $top = null;
        $pages = [];
        foreach ($this->place->of($import)->pages as $placed) {
            $address = $placed->address;
            if ($address !== null) {
                $top ??= $address->path;
                $pages[] = [$placed->given->address ?? '', $address->path, $placed->given->former];
            }
        }
        if ($top === null) {
            throw new InputRefused('page', 'Nothing of this branch can be brought in there.');
        }
        $seed = $import->ulid;
        $changes = [['kind' => 'put-in-bin', 'page' => $page->ulid]];
        $made = [];
        $redirect = static function (string $scope, string $source, string $to) use (&$changes, &$made, $seed, $import): void {
            if ($source !== '' && ! isset($made["$scope $source"])) {
                $made["$scope $source"] = true;
                $changes[] = [
                    'kind' => 'make-redirect',
                    'redirect' => Identity::derived($seed, "$scope $source"),
                    'scope' => $scope,
                    'source' => $source,
                    'leadsTo' => ['url' => $import->site->origin.$to],
                    'inFront' => true,
                    'note' => "Moved to {$import->site->name}",
                ];
            }
        };
        $redirect('branch', $page->address, $top);
        foreach ($pages as [$was, $is, $former]) {
            $carried = str_starts_with($was, $page->address) ? $top.substr($was, strlen($page->address)) : null;
            $carried === $is ?: $redirect('one', $was, $is);
            foreach ($former as $address) {
                $redirect('one', $address, $is);
            }
        }

        return $this->batch($site, $changes);
    }

    /** @param  list<array<string, mixed>>  $changes */
    private function batch(Site $site, array $changes): Batch
    {
        return (new ChangeReader($site->rules(), $site->zone, $site->ownAddresses()))->batch($changes, [], WhenUnanswered::TakesDefault);
    }
}
