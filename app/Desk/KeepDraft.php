<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Draft;
use App\Models\Page;
use App\Models\User;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\InvalidDocument;
use Illuminate\Database\Eloquent\Collection;

/** What people have typed on a page and not saved: their own is kept for them, and others see that somebody writes. */
final readonly class KeepDraft
{
    /** Minutes in which somebody who typed is shown as typing. */
    private const RECENT = 30;

    /**
     * @param  array<mixed>  $document  unchecked: nothing typed is turned away
     * @param  array{heading: string, summary: string}|null  $texts  where they were typed too
     */
    public function keep(Page $page, User $user, array $document, int $basedOn, ?array $texts = null): Draft
    {
        return Draft::query()->updateOrCreate(
            ['page_id' => $page->id, 'user_id' => $user->id],
            ['document' => $document, 'texts' => $texts, 'based_on' => $basedOn, 'updated_at' => now()],
        );
    }

    public function drop(Page $page, User $user): void
    {
        Draft::query()->where('page_id', $page->id)->where('user_id', $user->id)->delete();
    }

    /** One that is not presentable yet, say for a picture without its text, is none. */
    public function presentable(Page $page, User $user): ?Document
    {
        try {
            $draft = Draft::query()->where('page_id', $page->id)->where('user_id', $user->id)->first();

            return $draft === null ? null : Document::read($draft->document);
        } catch (InvalidDocument) {
            return null;
        }
    }

    /** @return array{Draft|null, Collection<int, Draft>} one's own, and those of others who typed of late */
    public function of(Page $page, User $user): array
    {
        $drafts = Draft::query()->where('page_id', $page->id)->with('user')->get();

        return [
            $drafts->firstWhere('user_id', $user->id),
            $drafts->where('user_id', '!=', $user->id)->where('updated_at', '>', now()->subMinutes(self::RECENT)),
        ];
    }
}
