<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\HistoryEntry;
use App\Models\Site;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Tree\FieldValues;
use Heronstem\Core\Tree\PageDifference;
use Illuminate\Database\ConnectionInterface;

/** Writes a ripple to pages and ledger: a handful of set-based statements, however large the branch. */
final readonly class RippleWriter
{
    public function __construct(
        private ConnectionInterface $db,
        private NewPages $newPages,
        private PageWriter $pages,
        private GonePages $gonePages,
        private ClaimWriter $claims,
        private LiveContent $content,
        private NotedLinks $links,
        private InheritedSearch $search,
        private StoredGates $gates,
    ) {
    }

    public function write(Ripple $ripple, Site $site, HistoryEntry $entry): void
    {
        $this->addressRules($ripple, $site);
        $made = $removed = $moved = [];
        foreach ($ripple->pages->differences as $difference) {
            if ($difference->wasRemoved()) {
                $removed[] = $difference->page;
            } elseif ($difference->wasMade()) {
                $made[] = $difference->page;
            } elseif ($difference->changedParent()) {
                $moved[] = $difference->page;
            }
        }
        $this->newPages->make($made, $ripple->pages, $site, $entry);
        $this->pages->write($moved, $ripple, $site, $entry);
        $this->claims->write($ripple->addresses->claims, $site, $entry);
        $this->startPages($ripple, $site);
        (new StoredMenus($this->db, $site))->write($ripple->menusAndLinks->menus);
        (new StoredRules($this->db, $site))->write($ripple->redirects->rules, $entry);
        $this->gonePages->remove($removed, $site);
        $this->siteSearch($ripple, $site);
        $this->access($ripple, $site);
        $this->search->after($ripple, $site);
        $this->gates->after($ripple, $site);
        $shown = $this->contentShown($ripple);
        $this->content->save($this->contentSaved($ripple));
        $this->content->show($shown);
        $this->noteFields(array_diff_key($this->withOtherFields($ripple), $shown), $site);
    }

    /** @param  array<string, true>  $pages  by page: links in fields follow what visitors get */
    private function noteFields(array $pages, Site $site): void
    {
        if ($pages !== []) {
            $this->links->note(
                array_column(
                    $this->db->select('select id from pages where site_id = ? and ulid = any(?::text[])', [
                        $site->id,
                        PgArray::of(array_keys($pages)),
                    ]),
                    'id',
                ),
            );
        }
    }

    /** @return array<string, true> by page: those that say something in fields, where that or whether visitors get it is another now */
    private function withOtherFields(Ripple $ripple): array
    {
        $pages = [];
        foreach ($ripple->pages->differences as $difference) {
            $page = $ripple->pages->outcome->find($difference->page);
            $touched = array_intersect_key($difference->before ?? ($difference->after ?? []), ['fields' => true, 'state' => true]) !== [];
            $named =
                $page === null
                    ? []
                    : [...$page->texts->fields->pages(), ...FieldValues::stored((string) ($difference->before['fields'] ?? ''))->pages()];
            if ($touched && $named !== []) {
                $pages[$difference->page] = true;
            }
        }

        return $pages;
    }

    /** First of all: everything else is written by the rules there are. */
    private function addressRules(Ripple $ripple, Site $site): void
    {
        $rules = $ripple->addresses->rules?->after;
        if ($rules !== null) {
            $site
                ->forceFill([
                    'trailing_slash' => $rules->trailingSlash->value,
                    'suffix' => $rules->suffix,
                    'case_sensitive' => $rules->caseSensitive,
                    'native_letters' => $rules->nativeLetters,
                ])
                ->save();
            (new RespelledRows($this->db, $site))->write();
        }
    }

    private function access(Ripple $ripple, Site $site): void
    {
        if ($ripple->access->settings !== null) {
            (new StoredAccess($this->db, $site))->write($ripple->access->settings);
        }
    }

    private function siteSearch(Ripple $ripple, Site $site): void
    {
        if ($ripple->search->settings !== null) {
            $site->forceFill(['search' => $ripple->search->settings->after])->save();
        }
    }

    private function startPages(Ripple $ripple, Site $site): void
    {
        foreach (
            ['start_page_id' => $ripple->pages->startPage, 'start_page_signed_in_id' => $ripple->pages->startPageSignedIn] as $column => $difference
        ) {
            if ($difference !== null) {
                $this->db->update("update sites set $column = (select id from pages where ulid = ? and site_id = ?) where id = ?", [
                    $difference->after,
                    $site->id,
                    $site->id,
                ]);
                $site->refresh();
            }
        }
    }

    /** @return array<string, int> the version that was saved last from now on, of pages where a batch sets it */
    private function contentSaved(Ripple $ripple): array
    {
        $saved = [];
        foreach ($ripple->pages->differences as $difference) {
            $isSet = ($difference->before[PageDifference::SAVED] ?? null) !== null && ($difference->after[PageDifference::SAVED] ?? null) !== null;
            $page = $isSet ? $ripple->pages->outcome->find($difference->page) : null;
            if ($page !== null) {
                $saved[$page->id] = $page->contentSaved;
            }
        }

        return $saved;
    }

    /** @return array<string, int|null> the version that visitors get from now on, of pages that were there and where it is another */
    private function contentShown(Ripple $ripple): array
    {
        $shown = [];
        foreach ($ripple->pages->differences as $difference) {
            $mayDiffer = ! $difference->wasRemoved() && $difference->changesContent();
            $page = $mayDiffer ? $ripple->pages->outcome->find($difference->page) : null;
            if ($page !== null) {
                $shown[$page->id] = $page->contentLive;
            }
        }

        return $shown;
    }
}
