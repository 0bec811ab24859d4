<?php

declare(strict_types=1);

namespace App\Desk;

use App\Jobs\AuditPages;
use App\Models\Draft;
use App\Models\Page;
use App\Models\PageContent;
use App\Models\User;
use App\Store\AuditQueue;
use App\Store\NotedLinks;
use Heronstem\Core\Content\Document;
use Illuminate\Database\Connection;

/** Saves a page's content as a new version. Every version is kept, so saving over somebody loses nothing of theirs. */
final readonly class SaveContent
{
    public function __construct(
        private Connection $db,
        private NotedLinks $links,
        private RecordEntry $record,
        private AuditQueue $audit,
        private PrepareTexts $texts,
        private RightsOn $rights,
        private MetWishes $wishes,
    ) {
    }

    /**
     * @param  int  $basedOn  the version the writer started from, 0 for none
     * @param  string  $note  what changed, in a line
     * @param  bool  $minor  nothing that others need to look at
     * @param  TypedTexts|null  $texts  heading and summary, where they were typed with it
     *
     * @throws ContentConflict when somebody saved another version meanwhile
     */
    public function save(
        Page $page,
        User $user,
        Document $content,
        int $basedOn,
        string $note = '',
        bool $minor = false,
        ?TypedTexts $texts = null,
    ): PageContent {
        return $this->db->transaction(function () use ($page, $user, $content, $basedOn, $note, $minor, $texts): PageContent {
            if ($texts !== null) {
                $this->keepTexts($page, $user, $texts);
            }
            $saved = $this->keep($page, $user, $content, $basedOn, $note, $minor);
            $this->record->ofContent($page->site, $user, $page, $saved->working_version, $note);

            return $saved;
        });
    }

    /** The first content of a page that comes with it: no news of its own. */
    public function bringIn(Page $page, User $user, Document $content): PageContent
    {
        return $this->db->transaction(fn (): PageContent => $this->keep($page, $user, $content, 0, '', false));
    }

    /** @throws ContentConflict when they are not what the writer began with */
    private function keepTexts(Page $page, User $user, TypedTexts $texts): void
    {
        $now = Page::query()->whereKey($page->id)->lockForUpdate()->firstOrFail();
        if (! $texts->beganWith($now)) {
            throw new ContentConflict($now);
        }
        $changed = $texts->changed();
        if ($changed !== []) {
            $this->texts->prepare($now, $now->site, $user, $this->rights->of($user, $now->site), $changed, null);
            $page->refresh();
        }
    }

    private function keep(Page $page, User $user, Document $content, int $basedOn, string $note, bool $minor): PageContent
    {
        Page::query()->whereKey($page->id)->lockForUpdate()->firstOrFail();
        $current = PageContent::query()->find($page->id);
        if (($current->working_version ?? 0) !== $basedOn) {
            throw new ContentConflict($page);
        }
        $content = $this->wishes->turned($content, $page->site);
        // A change that was undone leaves versions behind it: numbers are used once.
        $version = 1 + (int) $this->db->scalar('select coalesce(max(number), 0) from content_versions where page_id = ?', [$page->id]);
        $this->db->insert('insert into content_versions (page_id, number, document, user_id, note, minor) values (?, ?, ?::jsonb, ?, ?, ?)', [
            $page->id,
            $version,
            json_encode($content->toArray(), JSON_THROW_ON_ERROR),
            $user->id,
            $note,
            $minor,
        ]);
        $saved = PageContent::query()->updateOrCreate(
            ['page_id' => $page->id],
            [
                'working' => $content->toArray(),
                'working_version' => $version,
                'saved_by' => $user->id,
                'saved_at' => now(),
            ],
        );
        $this->links->note([$page->id]);
        $this->audit->add($page->site, [$page->ulid]);
        $this->db->afterCommit(static fn () => AuditPages::dispatch($page->site_id));
        Draft::query()->where('page_id', $page->id)->where('user_id', $user->id)->delete();
        $page->update(['changed_by' => $user->id, 'version' => $page->version + 1]);

        return $saved;
    }
}
