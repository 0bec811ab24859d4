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
        foreach (PageContent::query()->whereKey($ids->keys())->get() as $words) {
            $this->turn($words, $turns[$ids[$words->page_id]], $user);
        }
        $this->links->note(array_map(intval(...), $ids->keys()->all()));
    }

    /** @param  array<string, string>  $to  page by href */
    private function turn(PageContent $words, array $to, ?User $user): void
    {
        $version = $words->working_version;
        $inStep = ! $words->hasUnpublishedEdits();
        if (! $inStep && $words->live !== null) {
            // Kept before the working words, so that these stay the newest version.
            $live = $words->liveDocument()->withHrefsTurned($to);
            $words->live = $live->toArray();
            $words->live_version = $this->keep($words->page_id, ++$version, $live, $user);
        }
        $working = Document::read($words->working)->withHrefsTurned($to);
        $words->working = $working->toArray();
        $words->working_version = $this->keep($words->page_id, ++$version, $working, $user);
        if ($inStep) {
            $words->live = $words->working;
            $words->live_version = $words->working_version;
        }
        $words->fill(['saved_by' => $user?->id, 'saved_at' => now()])->save();
    }

    private function keep(int $page, int $version, Document $document, ?User $user): int
    {
        $this->db->insert('insert into word_revisions (page_id, number, document, user_id, note, minor) values (?, ?, ?::jsonb, ?, ?, true)', [$page, $version, json_encode($document->toArray(), JSON_THROW_ON_ERROR), $user?->id, self::NOTE]);

        return $version;
    }
}
