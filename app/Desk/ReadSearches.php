<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Models\Site;
use App\Store\Searches;
use Heronstem\Core\Search\SearchAnswer;

/** What visitors searched on the site, and what is answered to it. */
final readonly class ReadSearches
{
    /** Searches at a time. */
    public const PIECE = 200;

    public function __construct(private Searches $searches)
    {
    }

    /**
     * @param  bool  $inVain  only those that found nothing, or found pages only by words that are spelt alike
     * @return array{rows: list<array<string, mixed>>, answers: list<array<string, mixed>>}
     */
    public function of(Site $site, bool $inVain, int $offset): array
    {
        $answers = $site->searchSettings()->answers;
        $rows = $this->searches->of($site, $inVain, $offset, self::PIECE);
        $named = array_filter(array_map(static fn (SearchAnswer $answer): ?string => $answer->page, $answers));
        $pages = Page::query()->where('site_id', $site->id)->whereIn('ulid', array_values($named))->get()->keyBy('ulid');
        $shown = [];
        foreach ($answers as $words => $answer) {
            $page = $pages->get((string) $answer->page);
            $shown[(string) $words] = [
                'words' => (string) $words,
                'page' => $answer->page,
                'name' => $page?->name,
                'isSeen' => $answer->page === null || $page?->isVisible() === true,
                'text' => $answer->text,
            ];
        }

        return [
            'rows' => array_map(static fn (object $row): array => [...(array) $row, 'answer' => $shown[$row->words] ?? null], $rows),
            'answers' => array_values($shown),
        ];
    }

    /** Takes a search off the list; false where nobody made it. */
    public function forget(Site $site, string $words): bool
    {
        return $this->searches->forget($site, $words);
    }
}
