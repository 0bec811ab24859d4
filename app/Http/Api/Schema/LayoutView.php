<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use App\Models\Page;
use Heronstem\Core\Content\Layout\FieldKind;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Content\Layout\LayoutField;
use OpenApi\Attributes as OA;

#[
    OA\Schema(
        schema: 'Layouts',
        description: 'The layouts of the design.',
        required: ['layouts', 'faults'],
        properties: [
            new OA\Property('layouts', type: 'array', items: new OA\Items(ref: '#/components/schemas/Layout')),
            new OA\Property(
                'faults',
                description: 'what keeps a folder from being a layout, or its template from being used',
                type: 'array',
                items: new OA\Items(
                    required: ['where', 'reason'],
                    properties: [new OA\Property('where', type: 'string'), new OA\Property('reason', type: 'string')],
                    type: 'object',
                ),
            ),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'Layout',
        description: 'How a page looks, with the fields that it has besides its content.',
        required: ['key', 'name', 'description', 'pages', 'fields', 'defaults', 'groups'],
        properties: [
            new OA\Property('key', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('description', type: 'string'),
            new OA\Property('pages', type: 'integer'),
            new OA\Property('fields', type: 'array', items: new OA\Items(ref: '#/components/schemas/LayoutField')),
            new OA\Property(
                'defaults',
                description: 'what the site says in fields of which a page says nothing',
                type: 'object',
                additionalProperties: true,
            ),
            new OA\Property(
                'groups',
                description: 'pages that give the pages of this layout below them further fields, in the order of the tree; null where none can',
                type: 'array',
                items: new OA\Items(ref: '#/components/schemas/FieldGroup'),
                nullable: true,
            ),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'FieldGroup',
        description: 'A group of a collection.',
        required: ['id', 'name', 'address', 'pages', 'fields'],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('address', type: 'string'),
            new OA\Property('pages', description: 'pages of the layout in its branch', type: 'integer'),
            new OA\Property(
                'fields',
                description: 'those that pages right inside it have',
                type: 'array',
                items: new OA\Items(ref: '#/components/schemas/LayoutField'),
            ),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'LayoutPage',
        description: 'A page with what stands in the fields of its layout.',
        required: ['id', 'name', 'address', 'state', 'fields', 'named'],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('address', type: 'string'),
            new OA\Property('state', ref: '#/components/schemas/State'),
            new OA\Property('fields', type: 'object', additionalProperties: true),
            new OA\Property(
                'named',
                description: 'what the pages are called that the fields name',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(type: 'string'),
            ),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'Tag',
        description: 'A tag that pages of the site have.',
        required: ['tag', 'pages'],
        properties: [new OA\Property('tag', type: 'string'), new OA\Property('pages', type: 'integer')],
        type: 'object',
    ),
    OA\Schema(
        schema: 'LayoutField',
        description: 'A field of a layout, or a column of its rows.',
        required: ['key', 'title', 'kind', 'description', 'needed', 'choices', 'unit', 'currency', 'fallback', 'empty', 'proportions', 'columns'],
        properties: [
            new OA\Property('key', type: 'string'),
            new OA\Property('title', type: 'string'),
            new OA\Property('kind', type: 'string', enum: FieldKind::class),
            new OA\Property('description', type: 'string'),
            new OA\Property('needed', type: 'boolean'),
            new OA\Property(
                'choices',
                type: 'array',
                items: new OA\Items(
                    required: ['value', 'title'],
                    properties: [new OA\Property('value', type: 'string'), new OA\Property('title', type: 'string')],
                    type: 'object',
                ),
            ),
            new OA\Property('unit', description: 'of a number', type: 'string'),
            new OA\Property('currency', description: 'of money, ISO 4217', type: 'string'),
            new OA\Property('fallback', description: 'what is shown where nothing is said'),
            new OA\Property('empty', description: 'the sentence that stands where rows are empty', type: 'string'),
            new OA\Property('proportions', description: 'width by height to which a picture is cropped', type: 'number', nullable: true),
            new OA\Property('columns', description: 'of rows', type: 'array', items: new OA\Items(ref: '#/components/schemas/LayoutField')),
        ],
        type: 'object',
    ),
]
final class LayoutView
{
    /**
     * @param  array<string, mixed>  $defaults
     * @param  list<array<string, mixed>>|null  $groups
     * @return array<string, mixed>
     */
    public static function of(Layout $layout, int $pages, array $defaults, ?array $groups): array
    {
        return [
            'key' => $layout->key,
            'name' => $layout->name,
            'description' => $layout->description,
            'pages' => $pages,
            'fields' => self::fields($layout->withDefaults($defaults)),
            'defaults' => (object) $defaults,
            'groups' => $groups,
        ];
    }

    /** @return list<array<string, mixed>> */
    public static function fields(Layout $layout): array
    {
        return array_map(self::field(...), $layout->fields);
    }

    /** @return array<string, mixed> */
    public static function group(Page $group, Layout $layout, int $pages): array
    {
        return [
            'id' => $group->ulid,
            'name' => $group->name,
            'address' => $group->address,
            'pages' => $pages,
            'fields' => self::fields($layout),
        ];
    }

    /** @return array<string, mixed> */
    private static function field(LayoutField $field): array
    {
        $choices = $field->choices();

        return [
            'key' => $field->key,
            'title' => $field->title,
            'kind' => $field->kind->value,
            'description' => $field->description(),
            'needed' => $field->isNeeded,
            'choices' => array_map(
                static fn (string $value, string $title): array => ['value' => $value, 'title' => $title],
                array_map(strval(...), array_keys($choices)),
                array_values($choices),
            ),
            'unit' => $field->unit(),
            'currency' => $field->currency(),
            'fallback' => $field->fallback(),
            'empty' => $field->emptySentence(),
            'proportions' => $field->proportions(),
            'columns' => array_map(
                static fn (LayoutField $column): array => ['needed' => in_array($column->key, $field->needed, true)] + self::field($column),
                $field->columns,
            ),
        ];
    }
}
