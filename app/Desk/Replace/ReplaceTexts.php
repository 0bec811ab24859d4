<?php

declare(strict_types=1);

namespace App\Desk\Replace;

use App\Desk\Design\PlacedLayouts;
use App\Models\Site;
use App\Models\User;
use App\Store\ContentTexts;
use App\Store\StoredMenus;
use App\Store\StoredPages;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\ReplacedMenu;
use Heronstem\Core\Change\ReplacedPage;
use Heronstem\Core\Change\ReplaceText;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\Replace\Part;
use Heronstem\Core\Content\Replace\Replacement;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Refusal;
use Heronstem\Core\Tree\Page;
use Illuminate\Database\ConnectionInterface;

/** Looks a site through for a text, and works out how every page is where it is replaced. */
final readonly class ReplaceTexts
{
    /** Pages whose contents are read at a time. */
    private const PIECE = 200;

    public function __construct(private ConnectionInterface $db, private ContentTexts $contents, private PlacedLayouts $layouts)
    {
    }

    /**
     * Everything where something was found, one after the other.
     *
     * @param  bool  $isChecked  what becomes of contents is held against their format
     * @return iterable<ReplacedPage|ReplacedMenu>
     *
     * @throws InputRefused where looking takes too long, or something would no longer be taken
     */
    public function look(Site $site, ReplaceText $change, bool $isChecked = false): iterable
    {
        $replacement = $change->replacement();
        $withContent = in_array(Part::Content, $change->parts, true);
        $piece = [];
        foreach ($this->pages($site, $change) as $page) {
            $piece[$page->id] = $page;
            if (count($piece) === self::PIECE) {
                yield from $this->piece($site, $piece, $withContent, $change, $replacement, $isChecked);
                $piece = [];
            }
        }
        yield from $this->piece($site, $piece, $withContent, $change, $replacement, $isChecked);
        if ($change->branch === null && $change->pages === null && in_array(Part::Menus, $change->parts, true)) {
            foreach ((new StoredMenus($this->db, $site))->all() as $menu) {
                $replaced = ReplacedMenu::of($menu, $replacement, $change->skip);
                if ($replaced->places !== []) {
                    yield $replaced;
                }
            }
        }
    }

    /** The same batch with what it replaces worked out, where it replaces something. */
    public function workedOut(Site $site, Batch $batch): Batch
    {
        $changes = $batch->changes;
        foreach ($changes as $i => $change) {
            if ($change instanceof ReplaceText && $change->replaced === null) {
                try {
                    $changes[$i] = $this->workOut($site, $change);
                } catch (Refusal $refusal) {
                    throw $refusal->within("changes.$i");
                }
            }
        }

        return $changes === $batch->changes ? $batch : new Batch($changes, $batch->decisions);
    }

    /** Keeps the versions of contents that a batch brings, before it says of pages that they are the ones to show. */
    public function keep(Batch $batch, ?User $user): void
    {
        foreach ($batch->changes as $change) {
            if ($change instanceof ReplaceText) {
                $this->contents->keep($change->replaced ?? [], "Replaced “{$change->find}” with “{$change->with}”", $user?->id);
            }
        }
    }

    private function workOut(Site $site, ReplaceText $change): ReplaceText
    {
        $pages = $menus = [];
        foreach ($this->look($site, $change, true) as $found) {
            if ($found instanceof ReplacedMenu) {
                $menus[] = $found;
            } elseif ($found->isChanged()) {
                $pages[] = $found;
            }
            if (count($pages) > Batch::MAX_PAGES) {
                throw new InputRefused(
                    'find',
                    sprintf('This stands on more than %s pages. Look in one branch after the other.', number_format(Batch::MAX_PAGES)),
                );
            }
        }

        return $change->with(
            $this->contents->numbered($pages),
            array_values(array_filter($menus, static fn (ReplacedMenu $menu): bool => $menu->isChanged())),
        );
    }

    /** @return iterable<Page> */
    private function pages(Site $site, ReplaceText $change): iterable
    {
        $stored = new StoredPages($this->db, $site);
        if ($change->pages === null) {
            return $change->branch === null ? $stored->whole() : $stored->branch($change->branch);
        }
        $wanted = array_flip($change->pages);

        return (static function () use ($stored, $change, $wanted): iterable {
            foreach ($stored->withAncestors($change->pages ?? []) as $page) {
                if (isset($wanted[$page->id])) {
                    yield $page;
                }
            }
        })();
    }

    /**
     * @param  array<string, Page>  $pages
     * @return iterable<ReplacedPage>
     */
    private function piece(Site $site, array $pages, bool $withContent, ReplaceText $change, Replacement $replacement, bool $isChecked): iterable
    {
        $contents = $withContent && $pages !== [] ? $this->contents->of(array_map(strval(...), array_keys($pages))) : [];
        $layouts = $this->layouts->ofAll($site, $pages);
        foreach ($pages as $id => $page) {
            [$working, $live] = $contents[$id] ?? [null, null];
            $replaced = ReplacedPage::of(
                $page,
                $working === null ? null : Document::kept($working),
                $live === null ? null : Document::kept($live),
                $layouts[$id],
                $replacement,
                $change->parts,
                $change->skip,
                $isChecked,
            );
            if ($replaced->places !== []) {
                yield $replaced;
            }
        }
    }
}
