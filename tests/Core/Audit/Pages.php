<?php

declare(strict_types=1);

namespace Tests\Core\Audit;

use Heronstem\Core\Audit\AuditedPage;
use Heronstem\Core\Audit\Picture;
use Heronstem\Core\Search\DescriptionSource;

/** Pages as the audit knows them. */
final class Pages
{
    /** A page with which nothing is wrong, changed in what is named. */
    public static function page(string $id = '01J0000000000000000000000A', mixed ...$fields): AuditedPage
    {
        return new AuditedPage(
            ...[
                'id' => $id,
                'name' => 'Fares',
                'heading' => 'Ferry fares',
                'slug' => 'ferry-fares',
                'address' => '/travel/ferry-fares',
                'title' => 'Ferry fares for feet, cars and bicycles · Ferries',
                'titleWidth' => 420.0,
                'description' => 'What a crossing costs, on foot, by car or with a bicycle, all year round.',
                'descriptionSource' => DescriptionSource::Own,
                'descriptionWidth' => 460.0,
                'links' => [],
                'linksOut' => 1,
                'headingLevels' => [2, 3, 2],
                'readingEase' => 60.0,
                'pictures' => [new Picture('A boat', 90_000, 1200, 800)],
                'socialPicture' => [1200, 630],
                ...$fields,
            ],
        );
    }

    public static function good(): AuditedPage
    {
        return self::page();
    }
}
