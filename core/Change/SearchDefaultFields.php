<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Search\TextPattern;
use Heronstem\Core\Tree\ChangeFrequency;

/** Fields of changes that set what pages inherit: of a branch, a layout, the site. */
trait SearchDefaultFields
{
    /** @return list<Field> */
    private static function defaultFields(): array
    {
        $names = implode(', ', array_map(static fn (string $name): string => "{{$name}}", array_keys(TextPattern::NAMES)));

        return [
            Field::text('titlePattern', "text with $names; null to inherit")->orNull()->optional(),
            Field::text('descriptionPattern', "text with $names; null to inherit")->orNull()->optional(),
            Field::flag('index', 'whether search engines may list these pages')->orNull()->optional(),
            Field::flag('follow', 'whether they may follow their links')->orNull()->optional(),
            Field::flag('inSitemap')->orNull()->optional(),
            Field::number('priority', 'in the sitemap, 0.0 to 1.0')->orNull()->optional(),
            Field::choice('changeFrequency', ChangeFrequency::class)->orNull()->optional(),
            Field::text('socialPicture', 'identity of a file')->orNull()->optional(),
            Field::flag('inSiteSearch', "whether the site's own search may show these pages")->orNull()->optional(),
        ];
    }

    /**
     * @return array<string, mixed> by field
     *
     * @throws InputRefused when nothing is said, or a pattern cannot be filled
     */
    private static function readDefaults(ChangeInput $input): array
    {
        $names = array_map(static fn (Field $field): string => $field->name, self::defaultFields());
        $given = $input->only($names);
        if ($given === []) {
            throw new InputRefused('titlePattern', 'Say what is set: '.implode(', ', $names).'.');
        }
        foreach (['titlePattern', 'descriptionPattern'] as $field) {
            if (is_string($given[$field] ?? null)) {
                TextPattern::read($given[$field], $field);
            }
        }

        return $given;
    }

    /** @param  array<string, mixed>  $given */
    private static function inWords(array $given): string
    {
        $called = [
            'titlePattern' => 'title pattern',
            'descriptionPattern' => 'description pattern',
            'index' => 'place in search engines',
            'follow' => 'following of links',
            'inSitemap' => 'place in the sitemap',
            'priority' => 'priority',
            'changeFrequency' => 'change frequency',
            'socialPicture' => 'social picture',
            'inSiteSearch' => "place in the site's own search",
        ];

        return implode(', ', array_values(array_intersect_key($called, $given)));
    }
}
