<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;

/** The text search configuration of PostgreSQL for the language of a site, as the migrations made them. */
final class TextSearchLanguage
{
    private const NAMES = [
        'da' => 'danish',
        'de' => 'german',
        'en' => 'english',
        'es' => 'spanish',
        'fi' => 'finnish',
        'fr' => 'french',
        'hu' => 'hungarian',
        'it' => 'italian',
        'nb' => 'norwegian',
        'nl' => 'dutch',
        'nn' => 'norwegian',
        'no' => 'norwegian',
        'pt' => 'portuguese',
        'ro' => 'romanian',
        'ru' => 'russian',
        'sv' => 'swedish',
        'tr' => 'turkish',
    ];

    /** Without endings and filler where nothing is known of the language. */
    public static function of(Site $site): string
    {
        return 'heronstem_'.(self::NAMES[strtolower((string) strtok($site->language, '-_'))] ?? 'simple');
    }
}
