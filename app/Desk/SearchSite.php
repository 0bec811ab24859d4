<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Models\Site;
use App\Store\SearchResults;
use Heronstem\Core\Search\MarkedText;
use Heronstem\Core\Search\NearestWord;
use Heronstem\Core\Search\SearchWords;

/**
 * The site's own search: pages with all the words; where there are none, with words that are spelt alike in the place of
 * those that no page has; and where that finds none either, with at least one of them.
 */
final readonly class SearchSite
{
    /** Results of one page. */
    public const PIECE = 10;

    /** Pages of results that can be turned to. */
    public const MAX_PIECES = 50;

    public function __construct(private SearchResults $results)
    {
    }

    /**
     * @param  int  $piece  from 1
     */
    public function for(Site $site, SearchWords $words, int $piece): FoundPages
    {
        $piece = max(1, min($piece, self::MAX_PIECES));
        if ($words->isEmpty()) {
            return FoundPages::nothing($words);
        }
        $answer = $this->answer($site, $words);
        [$total, $rows] = $this->at($piece, fn (int $from, int $limit): array => $this->results->page($site, $words->text, $from, $limit));
        if ($total > 0) {
            return new FoundPages($words, FoundPages::FOUND, $total, $this->shown($rows), $piece, $answer);
        }
        $unknown = array_values(array_diff($words->words, $this->results->known($site, $words->words)));
        $instead = [];
        foreach ($unknown as $word) {
            $near = NearestWord::of($word, $this->results->near($site, $word));
            if ($near !== null) {
                $instead[$word] = $near;
            }
        }
        if ($instead !== []) {
            $meant = $words->with($instead);
            [$total, $rows] = $this->at($piece, fn (int $from, int $limit): array => $this->results->page($site, $meant->text, $from, $limit));
            if ($total > 0) {
                return new FoundPages($words, FoundPages::NEAR, $total, $this->shown($rows), $piece, $answer, $meant->text);
            }
        }
        $any = array_values(array_diff($words->with($instead)->words, array_diff($unknown, array_keys($instead))));
        if (count($words->words) > 1 && $any !== []) {
            [$total, $rows] = $this->at($piece, fn (int $from, int $limit): array => $this->results->withAny($site, $any, $from, $limit));
            if ($total > 0) {
                return new FoundPages($words, FoundPages::SOME, $total, $this->shown($rows), $piece, $answer, implode(' ', $any));
            }
        }

        return FoundPages::nothing($words, $answer);
    }

    /**
     * @param  \Closure(int, int): array{int, list<object{ulid: string, name: string, address: string, description: string, says: string, begins: string, ends: string}>}  $read
     * @return array{int, list<object{ulid: string, name: string, address: string, description: string, says: string, begins: string, ends: string}>}
     */
    private function at(int $piece, \Closure $read): array
    {
        [$total, $rows] = $read(($piece - 1) * self::PIECE, self::PIECE);

        return $total > 0 || $piece === 1 ? [$total, $rows] : [$read(0, 1)[0], []];
    }

    /**
     * @param  list<object{ulid: string, name: string, address: string, description: string, says: string, begins: string, ends: string}>  $rows
     * @return list<array{name: string, address: string, description: list<array{text: string, isMarked: bool}>, says: list<array{text: string, isMarked: bool}>}>
     */
    private function shown(array $rows): array
    {
        return array_map(
            static fn (object $row): array => [
                'name' => $row->name,
                'address' => $row->address,
                'description' => MarkedText::pieces($row->description),
                'says' => MarkedText::pieces(MarkedText::cut($row->says, $row->begins, $row->ends)),
            ],
            $rows,
        );
    }

    /** @return array{name: string|null, address: string|null, text: string}|null what a manager set for these words; null where visitors would not see its page either */
    private function answer(Site $site, SearchWords $words): ?array
    {
        $answer = $site->searchSettings()->answers[$words->key()] ?? null;
        $page =
            $answer?->page === null
                ? null
                : Page::query()
                    ->where('site_id', $site->id)
                    ->where('ulid', $answer->page)
                    ->whereRaw('is_visible(state, from_at, until_at) and is_open(gate_id)')
                    ->first();
        if ($answer === null || ($page === null && $answer->text === '')) {
            return null;
        }

        return ['name' => $page?->name, 'address' => $page?->address, 'text' => $answer->text];
    }
}
