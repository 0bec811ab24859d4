<?php

declare(strict_types=1);

namespace App\Desk\Sites;

use App\Desk\Accounts\Happened;
use App\Desk\Accounts\SecurityLog;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\InputRefused;
use Illuminate\Contracts\Filesystem\Factory as Disks;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Carbon;

/** Puts a site in the bin, from where it comes back as it was, and deletes for good what lay there long enough. */
final readonly class RemoveSite
{
    /** Days that a site is kept in the bin. */
    public const KEPT_DAYS = 30;

    public function __construct(private Connection $db, private Disks $disks, private SecurityLog $log)
    {
    }

    /** @return array{pages: int, live: int, files: int, redirects: int, people: int, visitors: int} what would go with it */
    public function counts(Site $site): array
    {
        $row = $this->db->selectOne(
            "select (select count(*) from pages where site_id = s.id and state <> 'bin') as pages, (select count(*) from pages where site_id = s.id and state = 'live') as live,
                (select count(*) from files where site_id = s.id) as files, (select count(*) from redirect_rules where site_id = s.id) as redirects,
                (select count(*) from memberships where site_id = s.id) as people, (select count(*) from visitors where site_id = s.id) as visitors from sites s where s.id = ?",
            [$site->id],
        );

        return [
            'pages' => (int) $row->pages,
            'live' => (int) $row->live,
            'files' => (int) $row->files,
            'redirects' => (int) $row->redirects,
            'people' => (int) $row->people,
            'visitors' => (int) $row->visitors,
        ];
    }

    /**
     * @param  string  $typed  the name of the site, as somebody typed it
     *
     * @throws InputRefused when it is another name, or the only site
     */
    public function remove(Site $site, User $by, string $typed): void
    {
        if (trim($typed) !== $site->name) {
            throw new InputRefused('name', "Type the name of the site as it is: {$site->name}");
        }
        if (Site::query()->count() === 1) {
            throw new InputRefused('name', 'This is the only site of the installation. Make another one first.');
        }
        $this->log->note(Happened::SiteRemoved, $by, site: $site, detail: $site->origin);
        $site->delete();
    }

    /**
     * Sites in the bin that somebody owns.
     *
     * @return Collection<int, Site>
     */
    public function removed(User $user): Collection
    {
        return Site::onlyTrashed()
            ->whereIn('id', $user->memberships()->whereHas('roles', static fn ($roles) => $roles->where('key', 'owner'))->select('site_id'))
            ->orderByDesc('deleted_at')
            ->get();
    }

    public function bringBack(Site $site, User $by): void
    {
        $site->restore();
        $this->log->note(Happened::SiteBack, $by, site: $site, detail: $site->origin);
    }

    /** Deletes for good what has been in the bin long enough; says how many. */
    public function empty(): int
    {
        $done = 0;
        foreach (Site::onlyTrashed()->where('deleted_at', '<', Carbon::now()->subDays(self::KEPT_DAYS))->get() as $site) {
            $this->db->transaction(function () use ($site): void {
                // Start pages are named by the site that their pages are of.
                $site->update(['start_page_id' => null, 'start_page_signed_in_id' => null]);
                $site->forceDelete();
            });
            foreach (['files', 'imports'] as $folder) {
                $this->disks->disk(config('heronstem.files_disk'))->deleteDirectory("$folder/{$site->key}");
            }
            $done++;
        }

        return $done;
    }
}
