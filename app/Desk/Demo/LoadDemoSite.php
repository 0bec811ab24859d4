<?php

declare(strict_types=1);

namespace App\Desk\Demo;

use App\Desk\ApplyChanges;
use App\Desk\Design\PlacedLayouts;
use App\Desk\KeepPieces;
use App\Desk\Rights;
use App\Desk\SaveContent;
use App\Models\File;
use App\Models\HistoryEntry;
use App\Models\Membership;
use App\Models\Page;
use App\Models\Site;
use App\Models\User;
use App\Models\Visitor;
use App\Store\InheritedSearch;
use App\Store\LiveContent;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\Change\GoLive;
use Heronstem\Core\Change\Make;
use Heronstem\Core\Change\SetStartPage;
use Heronstem\Core\Tree\FieldValues;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Tree\SearchSettings;
use Heronstem\Core\Tree\Showing;
use Heronstem\Core\Tree\Tags;
use Heronstem\Core\Workspace\Authority;
use Heronstem\Core\Workspace\Place;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Support\Str;

/** Builds a demo site from its data files, by the same changes a manager would make. */
final readonly class LoadDemoSite
{
    public function __construct(
        private ConnectionInterface $db,
        private ApplyChanges $apply,
        private SaveContent $save,
        private LiveContent $live,
        private DemoFiles $files,
        private LoadMenus $menus,
        private LoadRedirects $redirects,
        private TellStory $story,
        private InheritedSearch $inherited,
        private PlacedLayouts $layouts,
        private KeepPieces $keepPieces,
    ) {
    }

    public function load(string $folder, string $key): void
    {
        $this->db->transaction(function () use ($folder, $key): void {
            $settings = json_decode((string) file_get_contents("$folder/site.json"), true, flags: JSON_THROW_ON_ERROR);
            $settings['search'] = json_encode($settings['search'] ?? new \stdClass(), JSON_THROW_ON_ERROR);
            $site = Site::query()->create([...$settings, 'key' => $key, 'origin' => "http://$key.skerrivane.example"]);
            $pages = array_merge(
                ...array_map(DemoPage::readAll(...), preg_grep('#/pieces\.md$#', glob("$folder/*.md") ?: [], PREG_GREP_INVERT) ?: []),
            );
            $ids = [];
            foreach ($pages as $page) {
                $ids[$page->address] = (string) Str::ulid();
            }
            $people = $this->people($site);
            $this->visitors($site);
            $this->structure($site, $pages, $ids, $people[0]);
            $this->content($site, $pages, $ids, $people[0], $folder);
            $this->roles($site->refresh(), $ids, $people[0], $folder);
            if (is_file("$folder/menus.json")) {
                $this->menus->load($site->refresh(), $people[0], $folder);
                $this->redirects->load($site->refresh(), $people[0], $folder);
            }
            // The site is what it is when the demo begins: its making is no history of the manager's.
            HistoryEntry::query()->where('site_id', $site->id)->delete();
            if (is_file("$folder/story.json")) {
                $this->story->tell($site->refresh(), $folder);
            }
        });
    }

    /** What a page tells search engines, out of its head code; an address of the site stands for a whole URL. */
    private function search(DemoPage $demo, Site $site): ?string
    {
        $canonical = $demo->head['canonical'] ?? '';

        return (new SearchSettings())
            ->changed([
                ...($demo->head['index'] ?? 'yes') === 'yes' ? [] : ['index' => false],
                ...$canonical === '' ? [] : ['canonical' => str_starts_with($canonical, '/') ? $site->origin.$canonical : $canonical],
                ...isset($demo->head['phrase']) ? ['targetPhrase' => $demo->head['phrase']] : [],
            ])
            ->toText();
    }

    private function visitors(Site $site): void
    {
        foreach (json_decode((string) file_get_contents(database_path('demo/visitors.json')), true, flags: JSON_THROW_ON_ERROR) as $visitor) {
            if ($visitor['site'] === $site->key) {
                Visitor::query()->create([
                    'confirmed_at' => now(),
                    'admitted_at' => now(),
                    ...array_diff_key($visitor, ['site' => true]),
                    'site_id' => $site->id,
                ]);
            }
        }
    }

    /** @return non-empty-list<User> */
    private function people(Site $site): array
    {
        $users = [];
        foreach (json_decode((string) file_get_contents(database_path('demo/people.json')), true, flags: JSON_THROW_ON_ERROR) as $person) {
            $role = $person['sites'][$site->key] ?? null;
            $isInvited = ($person['invited'] ?? false) === true;
            $user = User::query()->firstOrCreate(
                ['email' => $person['email']],
                [
                    'name' => $person['name'],
                    'password' => $person['password'] ?? bin2hex(random_bytes(32)),
                    'joined_at' => $isInvited ? null : now(),
                ],
            );
            if ($role !== null) {
                Membership::begin($site, $user, ...(array) $role);
                $users[] = $user;
            }
        }

        return $users === [] ? throw new \LogicException("Nobody works on {$site->key}.") : $users;
    }

    /**
     * @param  list<DemoPage>  $pages
     * @param  array<string, string>  $ids
     */
    private function structure(Site $site, array $pages, array $ids, User $by): void
    {
        $makes = [];
        $lives = [];
        foreach ($pages as $page) {
            $parent = $page->parentAddress();
            $makes[] = new Make(
                $ids[$page->address],
                PageName::of($page->name),
                Place::lastIn($parent === null ? null : $ids[$parent]),
                Slug::of($page->slug()),
            );
            if (($page->head['state'] ?? 'live') === 'live') {
                $lives[] = new GoLive($ids[$page->address]);
            }
        }
        // The start page first, so that it takes the root before anything is composed below it.
        $this->apply->apply($site, $by, Batch::of($makes[0], new GoLive($ids['/']), new SetStartPage($ids['/'])));
        $this->apply->apply($site, $by, Batch::of(...array_slice($makes, 1), ...array_slice($lives, 1)));
    }

    /**
     * @param  list<DemoPage>  $pages
     * @param  array<string, string>  $ids
     */
    private function content(Site $site, array $pages, array $ids, User $by, string $folder): void
    {
        $picture = fn (string $file): string => $this->files->of($file, $site, $by, $folder);
        $pageAt = static fn (string $address): ?string => $ids[$address] ?? null;
        $markdown = new MarkdownContent($pageAt, $picture, $this->pieces($site, $by, "$folder/pieces.md", new MarkdownContent($pageAt, $picture)));
        foreach ($pages as $demo) {
            $page = Page::query()->where('ulid', $ids[$demo->address])->firstOrFail();
            $page->update([
                'heading' => $demo->head['heading'] ?? null,
                'summary' => $demo->head['summary'] ?? '',
                'search_title' => $demo->head['title'] ?? '',
                'search_description' => $demo->head['description'] ?? '',
                'layout' => $demo->head['layout'] ?? 'page',
                'fields' => $this->fields($page, $demo, $ids, $picture),
                'listed' => ($demo->head['listed'] ?? 'yes') === 'yes',
                'search' => $this->search($demo, $site),
                'tags' => (new Tags())
                    ->changed(array_values(array_filter(array_map(trim(...), explode(',', $demo->head['tags'] ?? '')))), [])
                    ->toText(),
                'showing' => (new Showing(reload: isset($demo->head['reload']) ? (int) $demo->head['reload'] : null))->toText(),
                'slug_by_hand' => ($demo->head['state'] ?? 'live') === 'live' && $page->slug_by_hand,
            ]);
            if ($demo->markdown !== '') {
                $this->save->bringIn($page, $by, $markdown->document($demo->markdown));
            }
        }
        $this->folders($site, "$folder/files.json", $picture);
        $this->films($site, "$folder/films.json", $picture);
        $this->inherited->refreshSite($site);
        $this->live->show(array_fill_keys(Page::query()->where('site_id', $site->id)->where('state', 'live')->pluck('ulid')->all(), 1));
        foreach ($pages as $demo) {
            $days = (int) ($demo->head['changed'] ?? 0);
            $since = $demo->head['since'] ?? null;
            $this->db->update(
                'update pages set updated_at = now() - make_interval(days => ?), live_since =
                    case when live_since is null then null else coalesce(?::timestamptz, now() - make_interval(days => ?)) end where ulid = ?',
                [$days, $since, $days + 200, $ids[$demo->address]],
            );
        }
        $this->db->update('update ledger l set since = coalesce(p.live_since, p.updated_at) from pages p where p.id = l.page_id and l.site_id = ?', [
            $site->id,
        ]);
    }

    /** @return array<string, string> identities of shared pieces by their keys */
    private function pieces(Site $site, User $by, string $file, MarkdownContent $markdown): array
    {
        $pieces = [];
        foreach (is_file($file) ? DemoPage::readAll($file) : [] as $demo) {
            $pieces[$demo->slug()] = $this->keepPieces->make($site, $by, $demo->name, $markdown->document($demo->markdown))->ulid;
        }

        return $pieces;
    }

    /** @param  \Closure(string): string  $file */
    private function films(Site $site, string $list, \Closure $file): void
    {
        foreach (is_file($list) ? json_decode((string) file_get_contents($list), true, flags: JSON_THROW_ON_ERROR) : [] as $film) {
            $this->db->table('films')->insert([...$film, 'site_id' => $site->id, 'poster' => $file($film['poster'])]);
        }
    }

    /**
     * Files by folder, those that no page uses among them.
     *
     * @param  \Closure(string): string  $file
     */
    private function folders(Site $site, string $list, \Closure $file): void
    {
        $folders = is_file($list) ? json_decode((string) file_get_contents($list), true, flags: JSON_THROW_ON_ERROR) : [];
        foreach ($folders as $folder => $names) {
            File::query()
                ->where('site_id', $site->id)
                ->whereIn('ulid', array_map($file, $names))
                ->update(['folder' => $folder]);
        }
    }

    /**
     * Out of its head code: pages are named by their addresses there, files by their names.
     *
     * @param  array<string, string>  $ids
     * @param  \Closure(string): string  $file
     */
    private function fields(Page $page, DemoPage $demo, array $ids, \Closure $file): string
    {
        $given = json_decode($demo->head['fields'] ?? '{}', true, flags: JSON_THROW_ON_ERROR);
        array_walk_recursive($given, static function (mixed &$value, int|string $at) use ($ids, $file): void {
            $value = match ($at) {
                'page' => $ids[$value],
                'file' => $file($value),
                default => $value,
            };
        });

        return $this->layouts
            ->of($page, $demo->head['layout'] ?? 'page')
            ->changed(new FieldValues(), $given)
            ->toText();
    }

    /**
     * Roles of the site's own, made by the changes that make them in the editor.
     *
     * @param  array<string, string>  $ids
     */
    private function roles(Site $site, array $ids, User $by, string $folder): void
    {
        if (! is_file("$folder/roles.json")) {
            return;
        }
        $changes = [];
        foreach (json_decode((string) file_get_contents("$folder/roles.json"), true, flags: JSON_THROW_ON_ERROR) as $role) {
            $key = (string) Str::ulid();
            $lines = [];
            foreach ($role['rights'] as $branch => $rights) {
                foreach ($rights as $right => $says) {
                    $lines[] = ['who' => "role:$key", 'branch' => $ids[$branch] ?? null, 'right' => $right, 'says' => $says];
                }
            }
            array_push($changes, ['kind' => 'make-role', 'role' => $key, 'name' => $role['name']], ['kind' => 'set-rights', 'lines' => $lines]);
            foreach (User::query()->whereIn('email', $role['people'])->pluck('ulid') as $person) {
                $changes[] = ['kind' => 'set-roles', 'person' => $person, 'roles' => [$key]];
            }
        }
        $this->apply->apply($site, $by, (new ChangeReader($site->rules(), $site->zone))->batch($changes), rights: Rights::of(Authority::Owner));
    }
}
