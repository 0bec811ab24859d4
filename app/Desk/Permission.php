<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Membership;
use App\Models\Page;
use App\Models\Role;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Structure\Authority;
use Heronstem\Core\Structure\Batch;
use Illuminate\Auth\Access\AuthorizationException;

/** Who may do what on a site. Owners and managers: all; writers: words and drafts of their branch; readers look. */
final readonly class Permission
{
    private const WRITERS_CHANGES = ['make', 'rename', 'set-slug', 'move', 'duplicate', 'send-for-review', 'put-in-bin'];

    /** @throws AuthorizationException */
    public function toSee(User $user, Site $site): Membership
    {
        return $user->membershipOf($site) ?? throw new AuthorizationException('You are not among the people of this site. Ask its owner to add you.');
    }

    /** @throws AuthorizationException */
    public function toWrite(User $user, Site $site, ?Page $page): void
    {
        $membership = $this->toSee($user, $site);
        if (! $membership->role->writes()) {
            throw new AuthorizationException('You can look at this site, not change it. Ask its owner for another role.');
        }
        if ($page !== null && ! $this->inBranch($membership, $page->path)) {
            throw new AuthorizationException("You write in another branch; “{$page->name}” lies outside it.");
        }
    }

    /** @throws AuthorizationException */
    public function toManage(User $user, Site $site): void
    {
        if (! $this->toSee($user, $site)->role->manages()) {
            throw new AuthorizationException('Only managers and the owner of the site do this. Ask one of them.');
        }
    }

    /** @throws AuthorizationException naming what the person may not change */
    public function toApply(User $user, Site $site, Batch $batch): void
    {
        $this->toWrite($user, $site, null);
        $membership = $this->toSee($user, $site);
        if ($membership->role->manages()) {
            return;
        }
        foreach ($batch->changes as $change) {
            $written = $change->toArray();
            if (! in_array($written['kind'], self::WRITERS_CHANGES, true)) {
                throw new AuthorizationException('Writers prepare pages; putting them live, taking them offline and taking back is done by a manager.');
            }
            $named = $written['pages'] ?? [$written['page']];
            $known = Page::query()->where('site_id', $site->id)->whereIn('ulid', $named)->get()->keyBy('ulid');
            foreach ($named as $page) {
                $this->guardWriter($membership, $written, $known[$page] ?? null);
            }
            $this->guardPlace($membership, $site, $written);
        }
    }

    /** How far somebody's word reaches in the rules of the structure. */
    public function authority(User $user, Site $site): Authority
    {
        return $this->toSee($user, $site)->role === Role::Owner ? Authority::Owner : Authority::Manager;
    }

    /** @param  array<string, mixed>  $change */
    private function guardWriter(Membership $membership, array $change, ?Page $page): void
    {
        if ($page !== null && $change['kind'] !== 'duplicate' && $this->isKnown($page, $change['kind'])) {
            throw new AuthorizationException("Visitors know “{$page->name}”, or a page inside it; only a manager changes its name, slug or place, or retires it.");
        }
        if ($page !== null && ! $this->inBranch($membership, $page->path)) {
            throw new AuthorizationException("You write in another branch; “{$page->name}” lies outside it.");
        }
    }

    /**
     * Where the change puts pages: a copy beside what it is a copy of, unless it says otherwise.
     *
     * @param  array<string, mixed>  $change
     */
    private function guardPlace(Membership $membership, Site $site, array $change): void
    {
        $place = $change['place'] ?? ($change['kind'] === 'duplicate' ? ['after' => $change['pages'][0] ?? $change['page']] : null);
        if (! is_array($place) || $membership->branch_id === null) {
            return;
        }
        $near = Page::query()->where('site_id', $site->id)->where('ulid', current($place))->first();
        $parentPath = in_array(key($place), ['before', 'after'], true) ? $near?->parent?->path : $near?->path;
        if (! $this->inBranch($membership, $parentPath)) {
            throw new AuthorizationException('You write in one branch of this site; this place lies outside it.');
        }
    }

    /** Whether visitors ever saw the page, or, where it takes its branch along, any below it. */
    private function isKnown(Page $page, string $kind): bool
    {
        return $page->ever_live || ($kind === 'put-in-bin' && Page::query()->where('site_id', $page->site_id)->whereRaw('path <@ ?::ltree', [$page->path])->where('ever_live', true)->exists());
    }

    private function inBranch(Membership $membership, ?string $path): bool
    {
        if ($membership->role !== Role::Writer || $membership->branch_id === null) {
            return true;
        }

        return $path !== null && in_array((string) $membership->branch_id, explode('.', $path), true);
    }
}
