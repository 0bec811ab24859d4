<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Models\PageContent;
use App\Models\Site;
use App\Models\StartingPoint;
use App\Models\User;
use App\Store\StoredPages;
use Heronstem\Core\InputRefused;
use Heronstem\Core\OneLine;
use Heronstem\Core\Search\Placeholders;
use Heronstem\Core\Tree\Page as TreePage;
use Illuminate\Database\Connection;
use Illuminate\Support\Str;

/** Keeps pages and branches to make new ones from: as they are saved at the moment, published or not. */
final readonly class KeepStartingPoints
{
    public const MAX_NAME_LENGTH = 100;

    public const MAX_DESCRIPTION_LENGTH = 300;

    /** Pages of one starting point. */
    private const MOST = 200;

    private const MOST_PLACEHOLDERS = 30;

    public function __construct(private Connection $db)
    {
    }

    /** @throws InputRefused naming the field */
    public function make(Site $site, User $user, string $name, string $description, Page $page, bool $isBranch): StartingPoint
    {
        $said = $this->said($site, $name, $description, null);
        $pages = $this->pages($site, $page, $isBranch);

        return $this->db->transaction(function () use ($site, $user, $said, $pages): StartingPoint {
            $point = StartingPoint::query()->create(['site_id' => $site->id, 'changed_by' => $user->id, ...$said]);
            $this->keep($point, $pages);

            return $point;
        });
    }

    /** @throws InputRefused naming the field */
    public function describe(StartingPoint $point, string $name, string $description): void
    {
        $point->fill($this->said($point->site, $name, $description, $point))->save();
    }

    /**
     * What is made from it is like the page from then on; what was made before stays as it is.
     *
     * @throws InputRefused
     */
    public function update(StartingPoint $point, User $user, Page $page, bool $isBranch): void
    {
        $pages = $this->pages($point->site, $page, $isBranch);
        $this->db->transaction(function () use ($point, $user, $pages): void {
            $this->db->delete('delete from kept_pages where point_id = ?', [$point->id]);
            $this->keep($point, $pages);
            // Kept now, by whoever it was before.
            $point->fill(['changed_by' => $user->id, 'updated_at' => now()])->save();
        });
    }

    public function remove(StartingPoint $point): void
    {
        $point->delete();
    }

    /** @return non-empty-list<TreePage> parents before their children */
    private function pages(Site $site, Page $page, bool $isBranch): array
    {
        $stored = new StoredPages($this->db, $site);
        $pages = [];
        foreach ($isBranch ? $stored->branch($page->ulid) : array_filter([$stored->page($page->ulid)]) as $each) {
            $pages[] = $each;
            if (count($pages) > self::MOST) {
                throw new InputRefused('scope', sprintf('A starting point has at most %d pages. Choose a smaller branch.', self::MOST));
            }
        }

        return $pages === [] || $pages[0]->isBinned() ? throw new InputRefused('page', 'This page is in the bin. Bring it back first.') : $pages;
    }

    /** @param  non-empty-list<TreePage>  $pages */
    private function keep(StartingPoint $point, array $pages): void
    {
        $ids = [];
        foreach ($pages as $page) {
            $ids[$page->id] = (string) Str::ulid();
        }
        $contents = PageContent::query()
            ->join('pages', 'pages.id', '=', 'page_contents.page_id')
            ->whereIn('pages.ulid', array_keys($ids))
            ->get(['page_contents.*', 'pages.ulid'])
            ->keyBy('ulid');
        $placeholders = [];
        foreach ($pages as $page) {
            $content = $contents[$page->id] ?? null;
            $placeholders += Placeholders::ofPage($page, $content === null ? null : PageContent::document($content));
            $this->db->insert('insert into kept_pages (ulid, point_id, fields, content) values (?, ?, ?::jsonb, ?::jsonb)', [
                $ids[$page->id],
                $point->id,
                json_encode([...$page->toFields(), 'parent' => $ids[(string) $page->parent] ?? null], JSON_THROW_ON_ERROR),
                $content === null
                    ? null
                    : json_encode(PageContent::document($content)->withPagesTurned($ids)->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            ]);
        }
        $point->forceFill(['placeholders' => array_slice(array_values($placeholders), 0, self::MOST_PLACEHOLDERS)])->save();
    }

    /** @return array{name: string, description: string} */
    private function said(Site $site, string $name, string $description, ?StartingPoint $self): array
    {
        $said = ['name' => OneLine::typed($name), 'description' => OneLine::typed($description)];
        if ($said['name'] === '') {
            throw new InputRefused('name', 'A starting point has a name.');
        }
        foreach (['name' => self::MAX_NAME_LENGTH, 'description' => self::MAX_DESCRIPTION_LENGTH] as $field => $most) {
            if (mb_strlen($said[$field]) > $most) {
                throw new InputRefused($field, "At most $most characters fit here.");
            }
        }
        if (
            StartingPoint::query()
                ->where('site_id', $site->id)
                ->where('name', $said['name'])
                ->when($self !== null, static fn ($query) => $query->whereKeyNot($self?->id))
                ->exists()
        ) {
            throw new InputRefused('name', "There is a starting point named “{$said['name']}” already. Choose another name, or update that one.");
        }

        return $said;
    }
}
