<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\Audit\InspectPages;
use App\Models\File;
use App\Models\Page;
use App\Models\PageContent;
use App\Models\Site;
use App\Store\StoredAudit;
use Heronstem\Core\Audit\Auditor;
use Heronstem\Core\Audit\Report;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Search\EffectiveSearch;
use Heronstem\Core\Search\HeadTags;
use Heronstem\Core\Search\SearchDescription;
use Heronstem\Core\Search\SearchTitle;
use Heronstem\Core\Search\SettingSource;
use Heronstem\Core\Tree\CanonicalKind;
use Heronstem\Core\Tree\SearchDefaults;
use Heronstem\Core\Tree\SearchSettings;
use Illuminate\Database\ConnectionInterface;

/** How a page looks in results and on cards, what holds for it and where that comes from, and what every check says of it. */
final readonly class ReadAppearance
{
    /** Settings that are inherited. */
    private const INHERITED = [
        'index',
        'follow',
        'inSitemap',
        'priority',
        'changeFrequency',
        'socialPicture',
        'titlePattern',
        'descriptionPattern',
        'inSiteSearch',
    ];

    public function __construct(
        private DescribePage $describe,
        private InspectPages $inspect,
        private ConnectionInterface $db,
        private Resolvers $resolvers,
    ) {
    }

    /**
     * @param  array<string, string>  $texts  that are being typed, by the names of PageTexts
     * @param  array<string, mixed>  $settings  likewise, by the names of SearchSettings
     * @return array<string, mixed>
     *
     * @throws InputRefused naming the field that cannot be taken
     */
    public function of(Page $page, Site $site, array $texts = [], array $settings = []): array
    {
        $working = $page->workingTexts()->changed($texts, $page->name);
        $own = SearchSettings::stored($page->search)->changed($settings);
        $facts = $this->describe->ofWorking($page, $site, $working, $own);
        $tags = HeadTags::of($facts, $site->facts());
        $report = $this->report($page, $site, $working, $own);

        return [
            'title' => [
                'text' => $tags->title->text,
                'source' => $tags->title->source->value,
                'width' => round($tags->title->width(), 1),
                'max' => SearchTitle::MAX_WIDTH,
                'shown' => $tags->title->shown(),
            ],
            'description' => [
                'text' => $tags->description->text,
                'source' => $tags->description->source->value,
                'width' => round($tags->description->width(), 1),
                'max' => SearchDescription::MAX_WIDTH,
                'maxNarrow' => SearchDescription::MAX_WIDTH_NARROW,
                'shown' => $tags->description->shown(),
                'shownNarrow' => $tags->description->shown(SearchDescription::MAX_WIDTH_NARROW),
            ],
            'url' => $tags->url,
            'canonical' => $tags->canonical,
            'robots' => $tags->robots,
            'social' => ['title' => $tags->socialTitle, 'description' => $tags->socialDescription, 'picture' => $this->card($page, $facts->settings)],
            'own' => $this->own($own, $site),
            'inherited' => $this->inherited($facts->settings),
            'branch' => self::defaults(SearchDefaults::stored($page->branch_search)),
            'head' => $tags->toHtml(),
            'score' => $report->score(),
            'checks' => self::checks($report),
        ];
    }

    private function report(Page $page, Site $site, \Heronstem\Core\Tree\PageTexts $texts, SearchSettings $own): Report
    {
        $looked = $this->inspect->of($site, [$page->ulid], [$page->ulid => $texts], [$page->ulid => $own])[$page->ulid] ?? null;
        if ($looked === null) {
            return new Report($page->ulid, [], []);
        }

        return Auditor::complete()->report($looked, new StoredAudit($this->db, $site, $this->resolvers->for($site)));
    }

    /** @return array{id: string, name: string, address: string, width: int, height: int}|null */
    private function card(Page $page, EffectiveSearch $settings): ?array
    {
        $file = $this->describe->picture($page, $settings->values->socialPicture, PageContent::document($page->content));

        return $file === null ? null : self::file($file);
    }

    /** @return array{id: string, name: string, address: string, width: int, height: int} */
    private static function file(File $file): array
    {
        return [
            'id' => $file->ulid,
            'name' => $file->name,
            'address' => $file->address(),
            'width' => (int) $file->width,
            'height' => (int) $file->height,
        ];
    }

    /** @return array<string, mixed> */
    private function own(SearchSettings $own, Site $site): array
    {
        $named =
            $own->canonical->kind === CanonicalKind::Page
                ? Page::query()->where('site_id', $site->id)->where('ulid', $own->canonical->value)->first()
                : null;

        return [
            'canonical' => $own->canonical->toText(),
            'canonicalName' => $named?->name,
            'targetPhrase' => $own->targetPhrase,
            'siteSearchDescription' => $own->siteSearchDescription,
            ...self::defaults($own->own),
        ];
    }

    /** @return array<string, mixed> every field, null where it says nothing */
    public static function defaults(SearchDefaults $of): array
    {
        return [
            ...get_object_vars($of),
            'priority' => $of->priority === null ? null : $of->priority / 10,
            'changeFrequency' => $of->changeFrequency?->value,
        ];
    }

    /** @return array<string, array{value: mixed, scope: string, page: string|null, name: string}> */
    private function inherited(EffectiveSearch $settings): array
    {
        $values = self::defaults($settings->values);
        $shown = [];
        foreach (self::INHERITED as $field) {
            $source = $settings->source($field);
            $shown[$field] = ['value' => $values[$field], ...self::source($source)];
        }

        return $shown;
    }

    /** @return array{scope: string, page: string|null, name: string} */
    private static function source(SettingSource $source): array
    {
        return ['scope' => $source->scope->value, 'page' => $source->id === '' ? null : $source->id, 'name' => $source->name];
    }

    /** @return list<array<string, mixed>> what does not pass first, then by weight */
    private static function checks(Report $report): array
    {
        $checks = [];
        foreach ($report->verdicts as $code => $verdict) {
            $info = $report->checks[$code];
            if ($verdict->applies) {
                $checks[] = [
                    'code' => $code,
                    'title' => $info->title,
                    'why' => $info->why,
                    'severity' => $info->severity->value,
                    'weight' => $info->weight,
                    'fix' => $info->fix->value,
                    'says' => $verdict->says,
                ];
            }
        }
        usort($checks, static fn (array $a, array $b): int => [$a['says'] === null, -$a['weight']] <=> [$b['says'] === null, -$b['weight']]);

        return $checks;
    }
}
