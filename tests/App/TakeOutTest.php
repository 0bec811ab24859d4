<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\BringIn\ApplySource;
use App\Desk\BringIn\GiveSource;
use App\Desk\Files\UploadFile;
use App\Desk\MakeSite;
use App\Desk\TakeOut\SiteFormat;
use App\Desk\TakeOut\TakeOut;
use App\Models\Page;
use App\Models\Site;
use App\Models\SiteImport;
use App\Models\User;
use Heronstem\Core\Access\Role;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use ZipArchive;

/** A site taken out as files, and what comes of these files when they are read again. */
final class TakeOutTest extends AppTestCase
{
    private User $owner;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->person('Greta', Role::OWNER);
        $this->furnish();
    }

    #[Test]
    public function a_site_file_is_read_again_to_an_equal_site(): void
    {
        $copy = $this->copied($this->out(SiteFormat::Json));

        self::assertSame([], self::otherwise($this->facts($this->site), $this->facts($copy)));
        self::assertSame([], $this->app->make(\App\Store\Violations::class)->of($copy));
    }

    #[Test]
    public function and_once_more_from_there(): void
    {
        $first = $this->copied($this->out(SiteFormat::Json));
        $second = $this->copied($this->out(SiteFormat::Json, $first), 'third');

        self::assertSame([], self::otherwise($this->facts($first), $this->facts($second)));
    }

    #[Test]
    public function a_site_file_written_otherwise_is_read_all_the_same(): void
    {
        $pretty = json_encode(json_decode($this->out(SiteFormat::Json), true), JSON_PRETTY_PRINT | JSON_THROW_ON_ERROR);

        self::assertSame([], self::otherwise($this->facts($this->site), $this->facts($this->copied($pretty))));
    }

    #[Test]
    #[TestWith([SiteFormat::Csv])]
    #[TestWith([SiteFormat::Xlsx])]
    #[TestWith([SiteFormat::Markdown])]
    #[TestWith([SiteFormat::Json])]
    public function what_was_taken_out_and_is_brought_in_as_it_is_changes_nothing(SiteFormat $format): void
    {
        $import = $this->app
            ->make(GiveSource::class)
            ->give($this->site->refresh(), $this->owner, $format->fileName('ferries'), $this->out($format), 'file', ['as' => 'given']);
        $import->state === 'ready' || $this->app->make(GiveSource::class)->read($import);
        $placed = $this->app->make(\App\Desk\BringIn\PlaceSource::class)->of($import->refresh());
        $said = [];
        foreach ($placed->pages as $page) {
            if ($page->status->value !== 'same') {
                $said[] = [
                    $page->given->at,
                    $page->status->value,
                    $page->before === null || $page->after === null ? null : array_diff_assoc($page->after->toFields(), $page->before->toFields()),
                    array_map(static fn ($remark): string => $remark->reason, $page->remarks),
                ];
            }
        }
        self::assertSame([], $said);
    }

    #[Test]
    public function an_edited_table_comes_back_as_changes(): void
    {
        $csv = str_replace(['Ten crowns', '/fares/dogs'], ['Eleven crowns', '/fares/pets'], $this->out(SiteFormat::Csv));
        $import = $this->app->make(GiveSource::class)->give($this->site->refresh(), $this->owner, 'pages.csv', $csv, 'file', ['as' => 'live']);
        $this->applied($this->site->refresh(), $import->ulid);

        $this->visit('/fares')->assertSee('Eleven crowns');
        $this->visit('/fares/dogs')->assertRedirect('/fares/pets');
    }

    #[Test]
    public function the_static_site_works_from_a_disk(): void
    {
        $files = $this->unzipped($this->out(SiteFormat::Html));

        self::assertArrayHasKey('index.html', $files);
        self::assertArrayHasKey('fares/index.html', $files);
        self::assertStringContainsString('/draft (Draft)', $files['_left-out.txt']);
        self::assertStringContainsString('/closed', $files['_left-out.txt']);
        self::assertArrayNotHasKey('closed/index.html', $files);
        // Every link of every page leads to a file that is there, or elsewhere as a whole.
        foreach ($files as $path => $body) {
            if (! str_ends_with($path, '.html')) {
                continue;
            }
            preg_match_all('/\s(?:href|src)="([^"]+)"/', $body, $links);
            foreach ($links[1] as $link) {
                $link = html_entity_decode(explode('#', $link)[0]);
                if ($link === '' || preg_match('#^(?:https?:|mailto:|data:)#', $link) === 1) {
                    continue;
                }
                $to = \Heronstem\Core\Interchange\Pages\RelativeAddress::resolved($link, "/$path");
                self::assertArrayHasKey(ltrim(rawurldecode($to), '/'), $files, "$path → $link");
            }
        }
        self::assertStringContainsString('/old-fares', $files['_redirects/redirects-ferries-maps.conf'].$files['_redirects/redirects-ferries.csv']);
    }

    #[Test]
    public function an_outline_and_a_sitemap_are_well_formed_and_say_the_tree(): void
    {
        $outline = simplexml_load_string($this->out(SiteFormat::Opml));
        self::assertNotFalse($outline);
        self::assertSame(['Dogs'], array_map(strval(...), $outline->xpath('//outline[@text="Fares"]/outline/@text') ?: []));
        $sitemap = simplexml_load_string($this->out(SiteFormat::Sitemap));
        self::assertNotFalse($sitemap);
        $locs = array_map(
            strval(...),
            iterator_to_array($sitemap->url, false) === []
                ? []
                : array_map(static fn ($url): string => (string) $url->loc, iterator_to_array($sitemap->url, false)),
        );
        self::assertContains('http://ferries.test/fares', $locs);
        self::assertNotContains('http://ferries.test/draft', $locs);
    }

    #[Test]
    public function a_branch_goes_out_by_itself(): void
    {
        $fares = Page::query()->where('site_id', $this->site->id)->where('address', '/fares')->firstOrFail();
        $records = json_decode(
            $this->actingAs($this->manager)
                ->get("http://editor.test/api/v1/sites/ferries/export?format=site-json&branch={$fares->ulid}")
                ->assertOk()
                ->streamedContent(),
            true,
        );
        self::assertSame(['Fares', 'Dogs'], array_column($records['pages'], 'name'));
        $this->api('GET', 'export?format=tarball')->assertUnprocessable();
        $this->api('GET', 'export?branch=01J00000000000000000000000')->assertUnprocessable();
    }

    private function furnish(): void
    {
        $this->site->update([
            'short_name' => 'Ferries',
            'tagline' => 'Six ferries, five islands',
            'description' => 'How to get there.',
            'design' => 'boatyard',
        ]);
        ob_start();
        imagepng(imagecreatetruecolor(600, 400) ?: throw new \LogicException('There is no picture.'));
        $picture = $this->app->make(UploadFile::class)->upload($this->site, $this->owner, 'pier.png', (string) ob_get_clean(), 'boats')->ulid;
        $home = $this->live('Home');
        $fares = $this->live('Fares');
        $dogs = $this->live('Dogs', $fares);
        $draft = $this->draft('Draft');
        $closed = $this->live('Closed');
        $section = $this->live('Section');
        $under = $this->live('Under', $section);
        $this->saveContent($fares, [
            [
                'type' => 'paragraph',
                'content' => [
                    ['type' => 'text', 'text' => 'Ten crowns. '],
                    ['type' => 'text', 'text' => 'Dogs', 'marks' => [['type' => 'link', 'attrs' => ['page' => $dogs]]]],
                ],
            ],
            [
                'type' => 'picture',
                'attrs' => ['file' => $picture, 'alt' => 'The pier', 'decorative' => false, 'caption' => '', 'align' => 'centre', 'width' => 100],
            ],
        ]);
        $this->change(['kind' => 'publish', 'page' => $fares]);
        $this->saveContent($fares, [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'Ten crowns, soon twelve.']]]]);
        $this->change(['kind' => 'set-start-page', 'page' => $home]);
        $this->change(['kind' => 'add-address', 'page' => $fares, 'address' => '/prices', 'answer' => 'serve']);
        $this->change(['kind' => 'add-address', 'page' => $fares, 'address' => '/was-fares', 'answer' => 'send-on']);
        $this->change(['kind' => 'pin', 'page' => $under, 'address' => '/shortcut']);
        $this->change(['kind' => 'change-kind', 'page' => $section, 'to' => 'section']);
        $this->change([
            'kind' => 'describe',
            'page' => $dogs,
            'searchTitle' => 'Dogs on board',
            'summary' => 'They travel free.',
            'picture' => $picture,
        ]);
        $this->change([
            'kind' => 'set-search',
            'page' => $dogs,
            'index' => false,
            'priority' => 0.3,
            'canonical' => $fares,
            'targetPhrase' => 'dogs on ferries',
        ]);
        $this->change(['kind' => 'set-branch-search', 'page' => $fares, 'titlePattern' => '{heading} – Fares']);
        $this->change(['kind' => 'tag', 'page' => $dogs, 'add' => ['animals', 'travel']]);
        $this->change(['kind' => 'unlist-page', 'page' => $draft]);
        $this->change(['kind' => 'schedule', 'page' => $draft, 'from' => '2031-05-03T09:00']);
        $this->change(['kind' => 'take-offline', 'page' => $closed]);
        $this->change(['kind' => 'go-live', 'page' => $closed]);
        $this->change(['kind' => 'set-access', 'page' => $closed, 'access' => ['to' => 'some', 'signedIn' => true]]);
        $this->change(['kind' => 'set-site-search', 'descriptionPattern' => null, 'titlePattern' => '{heading} · {site}']);
        $this->change(['kind' => 'set-robots', 'robots' => "User-agent: *\nDisallow: /draft"]);
        $this->redirect(['scope' => 'one', 'source' => '/old-fares', 'leadsTo' => ['page' => $fares], 'note' => 'Poster']);
        $this->redirect(['scope' => 'pattern', 'source' => '/boat-:name', 'leadsTo' => ['address' => '/fleet/:name']]);
        $menu = '01J0MENV000000000000000001';
        $this->change(
            ['kind' => 'make-menu', 'menu' => $menu, 'name' => 'By hand'],
            [
                'kind' => 'arrange-menu',
                'menu' => $menu,
                'entries' => [
                    [
                        'kind' => 'heading',
                        'label' => 'Costs',
                        'entries' => [['kind' => 'page', 'page' => $fares], ['kind' => 'url', 'url' => 'https://else.example/', 'label' => 'Else']],
                    ],
                ],
            ],
        );
    }

    private function out(SiteFormat $format, ?Site $site = null): string
    {
        return implode('', [...$this->app->make(TakeOut::class)->pieces(($site ?? $this->site)->refresh(), $format)]);
    }

    private function copied(string $file, string $key = 'copy'): Site
    {
        $copy = $this->app->make(MakeSite::class)->make($key, 'Ferries', "http://$key.test", 'en-GB', 'UTC', null, $this->owner);
        $import = $this->app
            ->make(GiveSource::class)
            ->give($copy, $this->owner, 'ferries.json', $file, 'file', ['as' => 'given', 'keepsAddresses' => false]);
        self::assertSame('ready', $import->state, (string) $import->problem);
        $this->applied($copy, $import->ulid);

        return $copy->refresh();
    }

    private function applied(Site $site, string $import): void
    {
        $given = SiteImport::query()->where('ulid', $import)->firstOrFail();
        $this->app->make(ApplySource::class)->begin($given, $this->owner, [], null, '');
        self::assertSame('applied', $given->refresh()->state, (string) $given->problem);
    }

    /**
     * Everything that a site file says, identities replaced by what they name.
     *
     * @return array<string, mixed>
     */
    private function facts(Site $site): array
    {
        $file = json_decode($this->out(SiteFormat::Json, $site), true, flags: JSON_THROW_ON_ERROR);
        $names = [];
        foreach ($file['pages'] as $page) {
            $names[$page['id']] = 'page '.$page['address'];
        }
        foreach ([...$file['files'], ...$file['pieces']] as $record) {
            $names[$record['id']] = 'named '.$record['name'];
        }
        $file['site']['origin'] = '';
        foreach ($file['redirects'] as $i => $rule) {
            unset($file['redirects'][$i]['id'], $file['redirects'][$i]['origin']);
        }
        array_multisort(array_column($file['redirects'], 'source'), $file['redirects']);
        array_multisort(array_column($file['menus'], 'name'), $file['menus']);
        $text = json_encode($file, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES);
        $sorted = static function (array $node) use (&$sorted): array {
            if (! array_is_list($node)) {
                ksort($node);
            }

            return array_map(static fn (mixed $value): mixed => is_array($value) ? $sorted($value) : $value, $node);
        };

        return $sorted(json_decode(strtr($text, $names), true, flags: JSON_THROW_ON_ERROR));
    }

    /**
     * Where two differ, by the way to it.
     *
     * @param  array<mixed>  $one
     * @param  array<mixed>  $other
     * @return list<string>
     */
    private static function otherwise(array $one, array $other, string $at = ''): array
    {
        $found = [];
        foreach ($one + $other as $key => $ignored) {
            [$left, $right] = [$one[$key] ?? null, $other[$key] ?? null];
            if (is_array($left) && is_array($right)) {
                array_push($found, ...self::otherwise($left, $right, "$at/$key"));
            } elseif ($left !== $right) {
                $found[] = mb_substr("$at/$key: ".json_encode($left).' ≠ '.json_encode($right), 0, 300);
            }
        }

        return $found;
    }

    /** @return array<string, string> */
    private function unzipped(string $bytes): array
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'zip');
        file_put_contents($path, $bytes);
        $zip = new ZipArchive();
        $zip->open($path);
        $files = [];
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $files[(string) $zip->getNameIndex($i)] = (string) $zip->getFromIndex($i);
        }
        unlink($path);

        return $files;
    }
}
