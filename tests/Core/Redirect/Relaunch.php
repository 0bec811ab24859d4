<?php

declare(strict_types=1);

namespace Tests\Core\Redirect;

use Heronstem\Core\Redirect\Matching\Candidate;

/** A generated site, and the addresses it had before it was relaunched in one way or another. */
final class Relaunch
{
    private const NOUNS = [
        'harbour',
        'ferry',
        'island',
        'winter',
        'summer',
        'ticket',
        'timetable',
        'notice',
        'tide',
        'crew',
        'cargo',
        'lighthouse',
        'garden',
        'school',
        'market',
        'archive',
        'report',
        'meeting',
        'guide',
        'walk',
        'bird',
        'bridge',
        'mill',
        'chapel',
        'castle',
        'museum',
        'river',
        'forest',
        'beach',
        'storm',
        'engine',
        'anchor',
        'sailor',
        'captain',
        'bicycle',
        'caravan',
        'dog',
        'horse',
        'cattle',
        'wool',
        'bread',
        'coffee',
        'picnic',
        'festival',
        'concert',
        'library',
        'doctor',
        'nurse',
        'dentist',
        'parking',
        'bus',
        'train',
        'airport',
        'hotel',
        'campsite',
        'cottage',
        'farm',
        'shop',
        'office',
        'council',
        'budget',
        'election',
        'planning',
        'housing',
        'waste',
        'recycling',
        'water',
        'energy',
        'climate',
        'youth',
        'sport',
        'swimming',
        'football',
        'history',
        'genealogy',
        'photograph',
        'map',
        'news',
        'press',
        'vacancy',
        'tender',
        'contract',
        'safety',
        'rescue',
        'weather',
        'wreck',
        'diving',
        'fishing',
        'salmon',
        'seaweed',
        'whisky',
        'pottery',
        'weaving',
        'language',
        'poetry',
        'music',
        'dance',
        'film',
        'theatre',
    ];

    private const ADJECTIVES = [
        'old',
        'new',
        'small',
        'great',
        'northern',
        'southern',
        'eastern',
        'western',
        'upper',
        'lower',
        'annual',
        'weekly',
        'free',
        'guided',
        'open',
        'public',
        'private',
        'local',
        'young',
        'family',
    ];

    private const ELSEWHERE = [
        'harbour' => 'hafen',
        'ferry' => 'faehre',
        'island' => 'insel',
        'ticket' => 'fahrkarte',
        'timetable' => 'fahrplan',
        'school' => 'schule',
        'market' => 'markt',
        'archive' => 'archiv',
        'report' => 'bericht',
        'walk' => 'wanderung',
        'bridge' => 'bruecke',
        'office' => 'amt',
        'council' => 'rat',
        'news' => 'nachrichten',
        'history' => 'geschichte',
        'weather' => 'wetter',
        'water' => 'wasser',
        'old' => 'alt',
        'new' => 'neu',
        'small' => 'klein',
        'great' => 'gross',
    ];

    private const SYNONYMS = [
        'timetable' => 'schedule',
        'ticket' => 'fare',
        'walk' => 'hike',
        'shop' => 'store',
        'vacancy' => 'job',
        'photograph' => 'photo',
        'film' => 'cinema',
        'waste' => 'rubbish',
        'notice' => 'announcement',
        'cottage' => 'house',
    ];

    /** @var list<Candidate> */
    public array $pages = [];

    /** @param  int  $size pages */
    public function __construct(int $size, int $seed)
    {
        mt_srand($seed);
        $sections = [];
        $names = [];
        while (count($this->pages) < $size) {
            $isSection = count($sections) < 12 + $size / 12;
            $name =
                ($isSection ? '' : self::ADJECTIVES[mt_rand(0, 19)].' ').
                self::NOUNS[mt_rand(0, count(self::NOUNS) - 1)].
                ' '.
                self::NOUNS[mt_rand(0, count(self::NOUNS) - 1)].
                (mt_rand(0, 4) === 0 ? ' '.self::NOUNS[mt_rand(0, count(self::NOUNS) - 1)] : '');
            if (isset($names[$name])) {
                continue;
            }
            $names[$name] = true;
            $above = $sections === [] || ($isSection && mt_rand(0, 1) === 0) ? '' : $sections[mt_rand(0, count($sections) - 1)];
            $address = $above.'/'.str_replace(' ', '-', $name);
            if ($isSection) {
                $sections[] = $address;
            }
            $this->pages[] = new Candidate('P'.count($this->pages), ucfirst($name), $address, ucfirst($name));
        }
    }

    /** @return iterable<array{string, string, string|null}> old address, title, and the page that it became */
    public function old(string $way): iterable
    {
        foreach ($this->pages as $n => $page) {
            $segments = explode('/', ltrim($page->address, '/'));
            $slug = array_pop($segments);
            $words = explode('-', $slug);
            [$address, $title] = match ($way) {
                'renames' => ['/'.implode('/', [...$segments, implode('_', $this->renamed($words))]).'.html', ''],
                're-nesting' => [
                    '/'.
                    ['section', 'topics', 'info'][$n % 3].
                    '/'.
                    (count($segments) > 1 ? $segments[count($segments) - 1].'/' : '').
                    $slug.
                    '/',
                    '',
                ],
                'ids' => ['/content/article/'.(1000 + $n * 7)."-$slug", ''],
                'slips' => ['/'.implode('/', $segments).'/'.implode(['', '_'][$n % 2], array_map($this->misspelt(...), $words)).'.asp', ''],
                'sections' => ['/'.implode('/', array_map($this->invented(...), $segments))."/$slug.htm", ''],
                'merges' => ['/'.implode('/', [...$segments, $slug, ['details', 'part-2', 'overview'][$n % 3]]), ''],
                'language' => [
                    '/de/'.implode('/', array_map(fn (string $segment): string => $this->translated($segment), [...$segments, $slug])).'.html',
                    '',
                ],
                default => ['/index.php?id='.(100 + $n), $page->name],
            };
            yield [$address, $title, $page->id];
            if ($n % 10 === 0) {
                yield [
                    "/{$words[0]}/".
                    substr(md5("$way $n"), 0, 8).
                    '/'.
                    ['cookie-policy', 'member-login', 'print-version', 'survey-results', 'gift-vouchers'][$n % 5],
                    '',
                    null,
                ];
            }
        }
    }

    /** @param  list<string>  $words @return list<string> */
    private function renamed(array $words): array
    {
        $words = array_map(static fn (string $word): string => self::SYNONYMS[$word] ?? $word, $words);
        if (count($words) > 2 && mt_rand(0, 2) === 0) {
            array_shift($words);
        }
        if (mt_rand(0, 3) === 0) {
            $words[count($words) - 1] .= 's';
        }

        return $words;
    }

    /** One word in three with two letters swapped or one left out. */
    private function misspelt(string $word): string
    {
        $at = mt_rand(1, max(1, strlen($word) - 2));

        return match (mt_rand(0, 5)) {
            0 => substr($word, 0, $at).strrev(substr($word, $at, 2)).substr($word, $at + 2),
            1 => strlen($word) < 5 ? $word : substr($word, 0, $at).substr($word, $at + 1),
            default => $word,
        };
    }

    /** A section by a name that has nothing to do with what it is called now. */
    private function invented(string $segment): string
    {
        return strtr(substr(md5($segment), 0, 8), '0123456789', 'ghijklmnop');
    }

    private function translated(string $slug): string
    {
        return implode('-', array_map(static fn (string $word): string => self::ELSEWHERE[$word] ?? $word, explode('-', $slug)));
    }
}
