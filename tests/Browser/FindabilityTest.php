<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;
use Heronstem\Core\Search\TextWidth;
use PHPUnit\Framework\Attributes\Depends;
use PHPUnit\Framework\Attributes\Test;

/** What search engines and people get of the site: seen, mended in bulk, and measured as browsers measure it. */
final class FindabilityTest extends Errand
{
    #[Test]
    public function a_manager_sees_how_the_site_stands_and_mends_doubled_titles_in_one_grid(): void
    {
        $chrome = $this->open('Overview');
        $chrome->awaitText('pages without a finding');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Same title as another page');
        $chrome->find('heading', 'Same title as another page');
        $chrome->find('button', 'Port Hallin – Skerra');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Fix them in the grid');
        // Other errands may have left pages of one title elsewhere.
        $chrome->type('textbox', 'Filter rows', '/travel/routes');
        $chrome->find('gridcell', '*Our crossings from Port Hallin*');
        $chrome->awaitText('2 pages');
        self::assertSame([], $chrome->axe());
        $chrome->click('gridcell', '*Our crossings from Port Hallin*');
        $chrome->press(WebDriverKeys::F2, [WebDriverKeys::CONTROL, 'a'], 'Port Hallin to Skerra', WebDriverKeys::ENTER);
        $chrome->press('P', 'ort Hallin to Vanesay', WebDriverKeys::ENTER);
        $chrome->click('button', 'Save 2 pages');
        $chrome->find('region', 'Ripple');
        $chrome->awaitText('titles change');
        $chrome->click('button', 'Save titles and descriptions');
        $chrome->awaitText('No pages match');
        self::assertStringContainsString('<title>Port Hallin to Vanesay</title>', $this->fetch($this->ferries('/travel/routes/vanesay'))[2]);
        $chrome->press([WebDriverKeys::CONTROL, 'z']);
        $chrome->awaitText('Undone:');
        self::assertStringContainsString('<title>Our crossings from Port Hallin', $this->fetch($this->ferries('/travel/routes/vanesay'))[2]);
    }

    #[Test]
    public function a_page_shows_how_its_result_is_cut_and_what_contradicts_itself(): void
    {
        $chrome = $this->signIn();
        $chrome->click('button', 'Legal');
        $chrome->find('complementary', 'Page sheet');
        $chrome->click('tab', 'Search');
        $chrome->type('textbox', 'Search title', 'A title that goes on and on about the conditions of carriage and about privacy');
        $chrome->awaitText('will be cut', '[aria-label="Page sheet"]');
        $chrome->awaitText('A title that goes on and on about the conditions of carriage and…', '[aria-label="As a search result"]');
        $chrome->awaitText('of 100', '[aria-label="Findability score"]');
        $this->expected[] = '422'; // an address is typed letter by letter
        $chrome->driver->executeScript(
            "const s = [...document.querySelectorAll('select')].find(each => [...each.options].some(o => o.text === 'An address elsewhere')); s.value = 'url'; s.dispatchEvent(new Event('change', { bubbles: true }))",
        );
        $chrome->type('textbox', 'Canonical address elsewhere', $this->ferries('/boats-today'));
        $chrome->awaitText('Its canonical address sends visitors on to another.', '[aria-label="Search engines"]');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Discard');
        $chrome->awaitNoText('will be cut', '[aria-label="Page sheet"]');
    }

    #[Test]
    public function a_pattern_is_tried_before_it_is_set_and_robots_name_the_deciding_line(): void
    {
        $chrome = $this->open('Patterns');
        $chrome->type('textbox', 'Title pattern', '{name} – {parent} | {site}');
        $chrome->awaitText('Travel | Skerrivane Ferries');
        $chrome->awaitText('would change');
        self::assertSame([], $chrome->axe());
        $this->expected[] = '422';
        $chrome->type('textbox', 'Title pattern', '{nmae}');
        $chrome->awaitText('Nothing is called {nmae}.');
        $chrome->click('button', 'Discard');
        $chrome->click('button', 'Robots and sitemap');
        $chrome->type('textbox', 'Lines', "User-agent: *\nDisallow: /travel\nAllow: /travel/fares");
        $chrome->type('textbox', 'Address', '/travel/fares/car');
        $chrome->awaitText('by line 3: Allow: /travel/fares');
        self::assertSame([], $chrome->axe());
        $chrome->type('textbox', 'Lines', "User-agent: *\nDisallow: /");
        $chrome->awaitText('Blocked');
        $chrome->click('button', 'See what follows');
        $chrome->awaitText('Block every crawler?', '[role=dialog]');
        $chrome->click('button', 'Cancel');
        $chrome->click('button', 'Discard');
    }

    #[Test]
    public function a_column_of_a_spreadsheet_is_pasted_replaced_in_and_taken_back_before_anything_is_saved(): void
    {
        $chrome = $this->open('Titles and descriptions');
        $chrome->type('textbox', 'Filter rows', '/travel/fares');
        $chrome->awaitText("\n6 pages\n"); // not the end of another number
        $chrome->click('gridcell', '*Fares · Skerrivane Ferries*');
        $chrome->driver->executeScript(
            "const at = document.querySelector('[role=grid]'); const data = new DataTransfer(); data.setData('text/plain', 'One fare\\nTwo fares\\nThree fares\\n4\\n5\\n6\\n7\\n8'); at.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))",
        );
        $chrome->awaitText('8 lines were pasted, and 6 found a row.');
        $chrome->find('button', 'Save 6 pages');
        $chrome->click('button', 'Find and replace');
        $chrome->type('textbox', 'Find', 'fare');
        $chrome->type('textbox', 'Replace by', 'price');
        $chrome->awaitText('Three prices', '[role=dialog]');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Replace in 3 cells');
        $chrome->find('gridcell', '*Two prices*');
        $chrome->click('gridcell', '*Two prices*');
        $chrome->press([WebDriverKeys::CONTROL, 'z']);
        $chrome->find('gridcell', '*Two fares*');
        $chrome->click('button', 'Discard');
        $chrome->awaitGone('gridcell', '*Two fares*');
    }

    #[Test]
    public function a_finding_is_dismissed_with_a_reason_and_listed_again(): void
    {
        $chrome = $this->open('Findings');
        $chrome->click('button', '*Nothing leads to it*');
        $chrome->find('heading', 'Nothing leads to it');
        $chrome->click('button', 'Not a problem here: Open day on board');
        $chrome->type('textbox', 'Why', 'The posters lead there.');
        $chrome->click('button', 'Dismiss the finding');
        $chrome->awaitText('“Open day on board” is no longer listed there.');
        $chrome->awaitGone('button', '*Nothing leads to it*');
        $chrome->click('button', 'Dismissed');
        $chrome->awaitText('The posters lead there.', '[role=dialog]');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'List it again');
        $chrome->awaitText('None.', '[role=dialog]');
        $chrome->press(WebDriverKeys::ESCAPE);
        $chrome->find('button', '*Nothing leads to it*');
    }

    #[Test]
    public function what_a_branch_tells_search_engines_is_seen_with_its_ripple_before_it_is_set(): void
    {
        $chrome = $this->signIn();
        $chrome->click('button', 'Freight');
        $chrome->find('complementary', 'Page sheet');
        $chrome->click('tab', 'Search');
        $chrome->awaitText('of 100', '[aria-label="Findability score"]');
        $chrome->driver->executeScript("[...document.querySelectorAll('summary')].find(each => each.innerText.includes('all below it')).click()");
        $chrome->type('textbox', 'Title pattern', '{name} – freight · {site}');
        $chrome->click('button', 'See what follows');
        $chrome->find('region', 'Ripple');
        $chrome->awaitText('titles change');
        $chrome->click('button', 'Set it for the branch');
        $chrome->awaitText('Changed title pattern in the branch of Freight');
        self::assertStringContainsString(
            '<title>Livestock – freight · Skerrivane Ferries</title>',
            $this->fetch($this->ferries('/freight/livestock'))[2],
        );
        $chrome->awaitText('from the branch “Freight”', '[aria-label="Page sheet"]');
        $chrome->press([WebDriverKeys::CONTROL, 'z']);
        $chrome->awaitText('Undone:');
        self::assertStringNotContainsString('– freight', $this->fetch($this->ferries('/freight/livestock'))[2]);
    }

    #[Test]
    public function what_was_searched_in_vain_is_answered_with_a_page(): void
    {
        $chrome = $this->open('Site search');
        $chrome->awaitText('pet passport');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Answer');
        $chrome->find('dialog', 'Answer searches for “pet passport”');
        $chrome->type('textbox', 'Choose a page', 'Travelling with dogs');
        $chrome->click('option', '*Travelling with dogs*');
        $chrome->type('textbox', 'Sentence for visitors', 'No papers are asked for.');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Save the answer');
        $chrome->awaitText('answered', '[aria-label="What visitors searched"]');
        $visitor = $this->browser();
        $visitor->open($this->ferries('/_search?q=Pet+passport'));
        $visitor->awaitText('No papers are asked for.', '.answer');
        $visitor->click('link', 'Travelling with dogs');
        $visitor->find('heading', 'Travelling with dogs');
        $visitor->quit();
        $chrome->press([WebDriverKeys::CONTROL, 'z']);
        $chrome->awaitText('Undone:');
        $chrome->awaitNoText('answered', '[aria-label="What visitors searched"]');
    }

    #[Test]
    public function a_manager_looks_at_the_links_drawn_and_follows_them_from_page_to_page(): void
    {
        $chrome = $this->open('Links');
        $chrome->click('button', 'Draw the links');
        $chrome->find('img', 'Links between *');
        $chrome->awaitText('up to 4 clicks');
        self::assertSame([], $chrome->axe());
        $chrome->type('textbox', 'Find a page in the drawing', 'Open day');
        $chrome->click('button', 'Open day on board');
        $chrome->awaitText('Nothing leads to it', '[aria-label="Page in the drawing"]');
        $chrome->type('textbox', 'Find a page in the drawing', 'Port Hallin – Skerra');
        $chrome->click('button', 'Port Hallin – Skerra');
        $chrome->awaitText('Leads to it', '[aria-label="Page in the drawing"]');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Larger');
        $chrome->click('button', 'Whole site');
        $chrome->click('button', 'Open the page');
        $chrome->find('complementary', 'Page sheet');
    }

    #[Test]
    public function a_link_to_another_site_is_tried_and_engines_are_told_of_what_changes(): void
    {
        $chrome = $this->open('Links');
        $chrome->click('button', 'Try all again');
        $chrome->awaitText('Gone for good (410).', '[aria-label="Links to other sites"]');
        self::assertSame([], $chrome->axe());
        $this->makePage('Told page', 'Help', $chrome);
        $this->goLive($chrome);
        $chrome->open($this->editor('/s/ferries/findability?part=crawling'));
        $chrome->awaitText('Taken', '[aria-label="Telling search engines"]');
        $chrome->awaitText('/help/told-page', '[aria-label="Telling search engines"]');
        self::assertSame([], $chrome->axe());
    }

    #[Test]
    public function a_change_says_which_findings_it_brings_before_it_is_made(): void
    {
        $chrome = $this->signIn();
        $chrome->click('button', 'Legal');
        $chrome->find('complementary', 'Page sheet');
        $chrome->click('button', 'Take offline');
        $chrome->find('region', 'Ripple');
        $chrome->awaitText('Findability: ', '[aria-label="Ripple"]');
        $chrome->awaitText('finding', '[aria-label="Ripple"]');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Cancel');
    }

    #[Test]
    public function every_fault_that_was_planted_in_the_demo_is_found(): void
    {
        $codes = $this->database()->query("select f.check_code from findings f join sites s on s.id = f.site_id and s.key = 'ferries' group by 1");
        self::assertNotFalse($codes);
        $found = $codes->fetchAll(\PDO::FETCH_COLUMN);
        self::assertSame(
            [],
            array_diff(
                [
                    ...['title-equal', 'title-too-wide', 'description-fallback', 'canonical-redirect', 'orphan', 'too-deep', 'address-deep'],
                    ...['link-broken', 'link-redirect', 'noindex-in-menu', 'phrase-title', 'social-picture-missing', 'thin-content'],
                ],
                $found,
            ),
        );
    }

    /** After the faults were looked for: what is mended here is one of them. */
    #[Test, Depends('every_fault_that_was_planted_in_the_demo_is_found')]
    public function links_through_redirects_are_mended_as_one_change(): void
    {
        $chrome = $this->open('Links');
        $chrome->awaitText('goes through a redirect: /news');
        $chrome->click('button', 'Turn them into links to pages');
        $chrome->find('region', 'Ripple');
        $chrome->awaitText('becomes a link to the page');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Turn 1 link');
        $chrome->awaitNoText('goes through a redirect: /news');
        $chrome->awaitText('leads nowhere', '[aria-label="Links of content that are written as addresses"]');
    }

    #[Test]
    public function widths_are_within_a_pixel_of_what_the_browser_measures(): void
    {
        $texts = self::texts();
        $font = base64_encode((string) file_get_contents(dirname(__DIR__, 2).'/resources/fonts/liberation-sans.woff2'));
        $this->chrome->open('about:blank');
        $measured = (array) $this->chrome->driver->executeAsyncScript(
            <<<'JS'
            const [font, texts, done] = arguments
            new FontFace('Measured', `url(data:font/woff2;base64,${font})`).load().then(face => {
                document.fonts.add(face)
                const line = document.body.appendChild(document.createElement('span'))
                line.style.cssText = 'position:absolute;white-space:pre;font-family:Measured'
                done(texts.flatMap(text => [20, 14].map(size => {
                    line.style.fontSize = `${size}px`
                    line.textContent = text
                    return line.getBoundingClientRect().width
                })))
            })
            JS
            ,
            [$font, $texts],
        );
        self::assertCount(600, $measured);
        foreach ($texts as $n => $text) {
            foreach ([20, 14] as $k => $size) {
                self::assertEqualsWithDelta($measured[2 * $n + $k], TextWidth::of($text, $size), 1.0, "$text at $size px");
            }
        }
    }

    /**
     * Three hundred lines of Latin, Greek and Cyrillic letters, mixed, with pairs that are kerned, figures and signs. Left out
     * are letters that the font does not have, which are set in whatever the machine has.
     *
     * @return list<string>
     */
    private static function texts(): array
    {
        $words = [
            ...[
                'AVATAR',
                'To',
                'Wave',
                'Yo-Yo',
                'LT',
                'P.A.',
                'Tea',
                'We',
                'fi',
                'office',
                '11',
                '1/2',
                '1991',
                'r.',
                'y,',
                'Ferry',
                'timetables',
                '–',
                '·',
                '|',
            ],
            ...[
                'Ærø',
                'Łódź',
                'Øresund',
                'naïve',
                'Žižkov',
                'İstanbul',
                'Straße',
                'Être',
                'ñandú',
                'ﬁn',
                '“quoted”',
                '£12.50',
                '€9',
                '50 %',
                '…',
                '& Co.',
            ],
            ...['Αθήνα', 'ΤΑΥΡΟΣ', 'Ύδρα', 'Πλοία', 'ώρες', 'Λ.', 'Άνδρος', 'ΑΥΤΑ'],
            ...['Привет', 'ГАТА', 'Паром', 'Україна', 'Їжак', 'Ђорђе', 'рутa', 'УДА.', 'Таня', '№ 7'],
        ];
        mt_srand(20260101);
        $texts = [];
        for ($n = 0; $n < 300; $n++) {
            $texts[] = implode(' ', array_map(static fn (): string => $words[mt_rand(0, count($words) - 1)], range(0, mt_rand(0, 9))));
        }

        return $texts;
    }

    private function open(string $part): Chrome
    {
        $chrome = $this->signIn();
        $chrome->click('link', 'Findability');
        $chrome->find('heading', 'Findability');
        if ($part !== 'Overview') {
            $chrome->click('button', $part);
        }

        return $chrome;
    }
}
