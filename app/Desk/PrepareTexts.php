<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\Design\KnownInFields;
use App\Desk\Design\PlacedLayouts;
use App\Jobs\AuditPages;
use App\Models\Page;
use App\Models\Site;
use App\Models\User;
use App\Store\AuditQueue;
use App\Store\NotedLinks;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Describe;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\PageState;
use Heronstem\Core\Tree\PageTexts;
use Illuminate\Database\Connection;

/**
 * Sets what a page says of itself. Texts of a live page wait to be published; its layout changes by a batch, with history
 * and undo. What nobody sees yet is set at once.
 */
final readonly class PrepareTexts
{
    public function __construct(
        private Connection $db,
        private ApplyChanges $apply,
        private AuditQueue $audit,
        private PlacedLayouts $layouts,
        private KnownInFields $known,
        private NotedLinks $links,
    ) {
    }

    /**
     * @param  array<string, string|null>  $texts  by the names of PageTexts
     * @param  array<mixed>  $fields  of its layout; null or blank for none
     *
     * @throws InputRefused naming the field, in rows also row and column
     * @throws ChangedMeanwhile when somebody else changed the page at the same moment
     */
    public function prepare(Page $page, Site $site, User $user, Rights $rights, array $texts, ?string $layout, array $fields = []): void
    {
        $this->db->transaction(function () use ($page, $site, $user, $rights, $texts, $layout, $fields): void {
            $set = $layout === null ? [] : ['layout' => $layout];
            $expected = $page->version;
            if ($page->state === PageState::Live && $layout !== null && $page->layout !== $layout) {
                // Batches lock the site before its pages: so does this.
                $this->apply->apply($site, $user, Batch::of(new Describe($page->ulid, [], $layout)), rights: $rights);
                $expected++;
            }
            $now = Page::query()->whereKey($page->id)->lockForUpdate()->first();
            if ($now === null || $now->version !== $expected) {
                throw new ChangedMeanwhile();
            }
            $is = $this->layouts->of($now, $layout);
            $this->known->guard($is, $fields, $site, 'fields');
            $said = $is->relaid($now->workingTexts()->fields, $now->layout);
            $this->write($now, $now->workingTexts()->changed($texts, $now->name)->withFields($is->changed($said, $fields)), $set);
            $this->audit->add($site, [$page->ulid]);
            $this->db->afterCommit(static fn () => AuditPages::dispatch($site->id));
            if ($fields !== []) {
                $this->db->afterCommit(fn () => $this->links->note([$now->id]));
            }
            $now->fill(['changed_by' => $user->id, 'version' => $now->version + 1])->save();
        });
    }

    /** @param  array<string, string>  $set  layout, where it is set */
    private function write(Page $page, PageTexts $texts, array $set): void
    {
        if ($page->state === PageState::Live) {
            $page->prepared = $texts->equals($page->liveTexts()) ? null : $texts->toArray();

            return;
        }
        $page->fill([
            'prepared' => null,
            'heading' => $texts->heading,
            'summary' => $texts->summary,
            'search_title' => $texts->searchTitle,
            'search_description' => $texts->searchDescription,
            'social_title' => $texts->socialTitle,
            'social_description' => $texts->socialDescription,
            'fields' => $texts->fields->toText(),
            ...$set,
        ]);
    }
}
