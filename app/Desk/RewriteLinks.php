<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Models\PageContent;
use App\Models\Site;
use App\Models\User;
use App\Store\NotedLinks;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Ripple\Ripple;
use Illuminate\Database\ConnectionInterface;

/**
 * Turns links that were written as addresses into links to the pages they mean, as a version of its own. Visitors
 * get them at once; edits that wait to be published go on waiting, with their links turned as well.
 */
final readonly class RewriteLinks
{
    private const NOTE = 'Links written as addresses now lead to their pages';

    public function __construct(private ConnectionInterface $db, private NotedLinks $links)
    {
    }

    public function after(Ripple $ripple, Site $site, ?User $user): void
    {
        $turns = [];
        foreach ($ripple->rewrites() as $effect) {
            if ($effect->meant !== null) {
                $turns[$effect->link->page][$effect->link->href] = $effect->meant->id;
            }
        }
        if ($turns === []) {
            return;
        }
        $ids = Page::query()->where('site_id', $site->id)->whereIn('ulid', array_keys($turns))->pluck('ulid', 'id');
        foreach (PageContent::query()->whereKey($ids->keys())->get() as $content) {
            $this->turn($content, $turns[$ids[$content->page_id]], $user);
        }
        $this->links->note(array_map(intval(...), $ids->keys()->all()));
    }

    /** @param  array<string, string>  $to  page by href */
    private function turn(PageContent $content, array $to, ?User $user): void
    {
        $version = (int) $this->db->scalar('select max(number) from content_versions where page_id = ?', [$content->page_id]);
        $inStep = ! $content->hasUnpublishedEdits();
        if (! $inStep && $content->live !== null) {
            // Kept before the working content, so that that stays the newest version.
            $live = $content->liveDocument()->withHrefsTurned($to);
            $content->live = $live->toArray();
            $content->live_version = $this->keep($content->page_id, ++$version, $live, $user);
        }
        $working = Document::read($content->working)->withHrefsTurned($to);
        $content->working = $working->toArray();
        $content->working_version = $this->keep($content->page_id, ++$version, $working, $user);
        if ($inStep) {
            $content->live = $content->working;
            $content->live_version = $content->working_version;
        }
        $content->fill(['saved_by' => $user?->id, 'saved_at' => now()])->save();
    }

    private function keep(int $page, int $version, Document $document, ?User $user): int
    {
        $this->db->insert('insert into content_versions (page_id, number, document, user_id, note, minor) values (?, ?, ?::jsonb, ?, ?, true)', [
            $page,
            $version,
            json_encode($document->toArray(), JSON_THROW_ON_ERROR),
            $user?->id,
            self::NOTE,
        ]);

        return $version;
    }
}
