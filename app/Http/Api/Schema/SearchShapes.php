<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use OpenApi\Attributes as OA;

/** What search engines are told, as it is read. */
#[
    OA\Schema(
        schema: 'SearchDefaults',
        description: 'What pages of a branch, a layout or the site tell search engines where they say nothing themselves; null says nothing.',
        required: [
            'titlePattern',
            'descriptionPattern',
            'index',
            'follow',
            'inSitemap',
            'priority',
            'changeFrequency',
            'socialPicture',
            'inSiteSearch',
        ],
        properties: [
            new OA\Property('titlePattern', type: 'string', nullable: true),
            new OA\Property('descriptionPattern', type: 'string', nullable: true),
            new OA\Property('index', type: 'boolean', nullable: true),
            new OA\Property('follow', type: 'boolean', nullable: true),
            new OA\Property('inSitemap', type: 'boolean', nullable: true),
            new OA\Property('priority', type: 'number', nullable: true),
            new OA\Property(
                'changeFrequency',
                type: 'string',
                enum: ['always', 'hourly', 'daily', 'weekly', 'monthly', 'yearly', 'never'],
                nullable: true,
            ),
            new OA\Property('socialPicture', type: 'string', nullable: true),
            new OA\Property('inSiteSearch', type: 'boolean', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'OwnSearchSettings',
        allOf: [
            new OA\Schema(ref: '#/components/schemas/SearchDefaults'),
            new OA\Schema(
                required: ['canonical', 'canonicalName', 'targetPhrase', 'siteSearchDescription'],
                type: 'object',
                properties: [
                    new OA\Property('canonical', description: '`itself`, `none`, the identity of a page, or a URL', type: 'string'),
                    new OA\Property('canonicalName', description: 'name of that page', type: 'string', nullable: true),
                    new OA\Property('targetPhrase', type: 'string'),
                    new OA\Property('siteSearchDescription', type: 'string'),
                ],
            ),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'InheritedSetting',
        description: 'What holds, and where it comes from.',
        required: ['value', 'scope', 'page', 'name'],
        properties: [
            new OA\Property(
                'value',
                nullable: true,
                oneOf: [new OA\Schema(type: 'string'), new OA\Schema(type: 'boolean'), new OA\Schema(type: 'number')],
            ),
            new OA\Property('scope', type: 'string', enum: ['own', 'branch', 'layout', 'site', 'default']),
            new OA\Property('page', description: 'the page at the top of that branch, or the layout', type: 'string', nullable: true),
            new OA\Property('name', type: 'string'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'CheckResult',
        required: ['code', 'title', 'why', 'severity', 'weight', 'fix', 'says'],
        properties: [
            new OA\Property('code', type: 'string'),
            new OA\Property('title', type: 'string'),
            new OA\Property('why', type: 'string'),
            new OA\Property('severity', ref: '#/components/schemas/Severity'),
            new OA\Property('weight', type: 'integer'),
            new OA\Property('fix', ref: '#/components/schemas/Fix'),
            new OA\Property('says', description: 'what was found; null where the page passes', type: 'string', nullable: true),
        ],
    ),
]
#[OA\Schema(schema: 'Severity', type: 'string', enum: ['error', 'warning', 'notice'])]
#[
    OA\Schema(
        schema: 'Fix',
        description: 'where a finding is mended',
        type: 'string',
        enum: [
            'title',
            'description',
            'details',
            'content',
            'canonical',
            'robots',
            'sitemap',
            'social',
            'phrase',
            'links',
            'menus',
            'redirects',
            'site',
        ],
    ),
]
#[
    OA\Schema(
        schema: 'SocialPicture',
        required: ['id', 'name', 'address', 'width', 'height'],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('address', type: 'string'),
            new OA\Property('width', type: 'integer'),
            new OA\Property('height', type: 'integer'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'SearchAppearance',
        description: 'How a page looks in results and on cards, what holds for it and where that comes from, and what every check says of it.',
        required: ['title', 'description', 'url', 'canonical', 'robots', 'social', 'own', 'inherited', 'branch', 'head', 'score', 'checks'],
        properties: [
            new OA\Property(
                'title',
                required: ['text', 'source', 'width', 'max', 'shown'],
                type: 'object',
                properties: [
                    new OA\Property('text', type: 'string'),
                    new OA\Property('source', type: 'string', enum: ['own', 'pattern']),
                    new OA\Property('width', description: 'px', type: 'number'),
                    new OA\Property('max', description: 'px', type: 'integer'),
                    new OA\Property('shown', description: 'cut where a result cuts it', type: 'string'),
                ],
            ),
            new OA\Property(
                'description',
                required: ['text', 'source', 'width', 'max', 'maxNarrow', 'shown', 'shownNarrow'],
                type: 'object',
                properties: [
                    new OA\Property('text', type: 'string'),
                    new OA\Property('source', ref: '#/components/schemas/DescriptionSource'),
                    new OA\Property('width', type: 'number'),
                    new OA\Property('max', type: 'integer'),
                    new OA\Property('maxNarrow', type: 'integer'),
                    new OA\Property('shown', type: 'string'),
                    new OA\Property('shownNarrow', type: 'string'),
                ],
            ),
            new OA\Property('url', type: 'string'),
            new OA\Property('canonical', description: 'null where the page names none', type: 'string', nullable: true),
            new OA\Property('robots', description: 'what search engines are asked not to do; empty for nothing', type: 'string'),
            new OA\Property(
                'social',
                required: ['title', 'description', 'picture'],
                type: 'object',
                properties: [
                    new OA\Property('title', type: 'string'),
                    new OA\Property('description', type: 'string'),
                    new OA\Property('picture', ref: '#/components/schemas/SocialPicture', nullable: true),
                ],
            ),
            new OA\Property('own', ref: '#/components/schemas/OwnSearchSettings'),
            new OA\Property(
                'inherited',
                description: 'what holds, by setting',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(ref: '#/components/schemas/InheritedSetting'),
            ),
            new OA\Property('branch', ref: '#/components/schemas/SearchDefaults'),
            new OA\Property('head', description: 'the tags as they are sent', type: 'string'),
            new OA\Property('score', type: 'integer'),
            new OA\Property('checks', type: 'array', items: new OA\Items(ref: '#/components/schemas/CheckResult')),
        ],
    ),
]
#[OA\Schema(schema: 'DescriptionSource', type: 'string', enum: ['own', 'pattern', 'summary', 'content', 'site', 'none'])]
#[
    OA\Schema(
        schema: 'SearchGrid',
        required: ['total', 'rows'],
        properties: [
            new OA\Property('total', type: 'integer'),
            new OA\Property('rows', type: 'array', items: new OA\Items(ref: '#/components/schemas/SearchGridRow')),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'SearchGridRow',
        required: [
            'id',
            'name',
            'address',
            'state',
            'layout',
            'level',
            'searchTitle',
            'searchDescription',
            'title',
            'titleWidth',
            'titleDouble',
            'description',
            'descriptionSource',
            'descriptionWidth',
            'descriptionDouble',
            'findings',
        ],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('address', type: 'string'),
            new OA\Property('state', ref: '#/components/schemas/State'),
            new OA\Property('layout', type: 'string'),
            new OA\Property('level', type: 'integer'),
            new OA\Property('searchTitle', description: 'its own; empty where it follows a pattern', type: 'string'),
            new OA\Property('searchDescription', type: 'string'),
            new OA\Property('title', description: 'as it is', type: 'string'),
            new OA\Property('titleWidth', description: 'px', type: 'number'),
            new OA\Property('titleDouble', type: 'boolean'),
            new OA\Property('description', type: 'string'),
            new OA\Property('descriptionSource', ref: '#/components/schemas/DescriptionSource'),
            new OA\Property('descriptionWidth', type: 'number'),
            new OA\Property('descriptionDouble', type: 'boolean'),
            new OA\Property('findings', description: 'codes of checks', type: 'array', items: new OA\Items(type: 'string')),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'MeasuredTexts',
        required: ['page', 'titleWidth', 'titleShown', 'titleDouble', 'descriptionWidth', 'descriptionShown', 'descriptionDouble'],
        properties: [
            new OA\Property('page', type: 'string'),
            new OA\Property('titleWidth', type: 'number'),
            new OA\Property('titleShown', type: 'string'),
            new OA\Property('titleDouble', type: 'boolean'),
            new OA\Property('descriptionWidth', type: 'number'),
            new OA\Property('descriptionShown', type: 'string'),
            new OA\Property('descriptionDouble', type: 'boolean'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'TextsToMeasure',
        required: ['rows'],
        properties: [
            new OA\Property(
                'rows',
                type: 'array',
                items: new OA\Items(
                    required: ['page', 'title', 'description'],
                    type: 'object',
                    properties: [
                        new OA\Property('page', type: 'string'),
                        new OA\Property('title', type: 'string'),
                        new OA\Property('description', type: 'string'),
                    ],
                ),
            ),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'PatternScope',
        description: 'What is set for the site, a layout or a branch.',
        required: ['scope', 'page', 'name', 'settings'],
        properties: [
            new OA\Property('scope', type: 'string', enum: ['site', 'layout', 'branch']),
            new OA\Property('page', description: 'the page at the top of the branch', type: 'string', nullable: true),
            new OA\Property('name', description: 'of the site, the layout or that page', type: 'string'),
            new OA\Property('settings', ref: '#/components/schemas/SearchDefaults'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'PatternToTry',
        required: [],
        properties: [
            new OA\Property('branch', description: 'a page, whose branch it is tried on', type: 'string', nullable: true),
            new OA\Property('layout', type: 'string', nullable: true),
            new OA\Property('titlePattern', type: 'string', nullable: true),
            new OA\Property('descriptionPattern', type: 'string', nullable: true),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'PatternSample',
        required: ['pages', 'cut', 'changed', 'sample'],
        properties: [
            new OA\Property('pages', description: 'that inherit a pattern', type: 'integer'),
            new OA\Property('cut', description: 'of them with a title that results cut', type: 'integer'),
            new OA\Property('changed', description: 'of them whose title would change', type: 'integer'),
            new OA\Property(
                'sample',
                type: 'array',
                items: new OA\Items(
                    required: ['page', 'name', 'before', 'after', 'shown', 'width', 'isCut', 'description'],
                    type: 'object',
                    properties: [
                        new OA\Property('page', type: 'string'),
                        new OA\Property('name', type: 'string'),
                        new OA\Property('before', type: 'string'),
                        new OA\Property('after', type: 'string'),
                        new OA\Property('shown', type: 'string'),
                        new OA\Property('width', type: 'number'),
                        new OA\Property('isCut', type: 'boolean'),
                        new OA\Property('description', type: 'string', nullable: true),
                    ],
                ),
            ),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'Crawling',
        required: ['lines', 'robots', 'sitemap', 'contradictions'],
        properties: [
            new OA\Property('lines', description: 'that somebody set', type: 'string'),
            new OA\Property('robots', description: 'robots.txt as it is served', type: 'string'),
            new OA\Property(
                'sitemap',
                required: ['url', 'entries', 'parts', 'leftOut'],
                type: 'object',
                properties: [
                    new OA\Property('url', type: 'string'),
                    new OA\Property('entries', type: 'integer'),
                    new OA\Property('parts', type: 'integer'),
                    new OA\Property(
                        'leftOut',
                        type: 'array',
                        items: new OA\Items(
                            required: ['reason', 'pages', 'examples'],
                            type: 'object',
                            properties: [
                                new OA\Property('reason', type: 'string', enum: ['kind', 'closed', 'unlisted', 'noindex', 'canonical', 'set']),
                                new OA\Property('pages', type: 'integer'),
                                new OA\Property(
                                    'examples',
                                    type: 'array',
                                    items: new OA\Items(
                                        required: ['id', 'name'],
                                        type: 'object',
                                        properties: [new OA\Property('id', type: 'string'), new OA\Property('name', type: 'string')],
                                    ),
                                ),
                            ],
                        ),
                    ),
                ],
            ),
            new OA\Property(
                'contradictions',
                description: 'addresses that are in the sitemap and shut out by robots.txt',
                type: 'array',
                items: new OA\Items(type: 'string'),
            ),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'RobotsToTry',
        required: ['lines', 'agent', 'address'],
        properties: [new OA\Property('lines', type: 'string'), new OA\Property('agent', type: 'string'), new OA\Property('address', type: 'string')],
    ),
]
#[
    OA\Schema(
        schema: 'RobotsVerdict',
        required: ['robots', 'isAllowed', 'line', 'rule', 'group', 'shutsOutAll'],
        properties: [
            new OA\Property('robots', description: 'robots.txt as it would be served', type: 'string'),
            new OA\Property('isAllowed', type: 'boolean'),
            new OA\Property('line', description: 'that decides; null where none says anything', type: 'integer', nullable: true),
            new OA\Property('rule', type: 'string', nullable: true),
            new OA\Property('group', description: 'agent whose lines hold', type: 'string', nullable: true),
            new OA\Property('shutsOutAll', type: 'boolean'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'LinkedPage',
        required: ['page', 'name', 'address', 'clicks', 'linksIn', 'weight'],
        properties: [
            new OA\Property('page', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('address', type: 'string'),
            new OA\Property('clicks', type: 'integer', nullable: true),
            new OA\Property('linksIn', type: 'integer'),
            new OA\Property('weight', description: 'of a thousand for all pages together (PageRank)', type: 'number'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'LinkOverview',
        required: ['depths', 'orphans', 'heaviest', 'loneliest', 'raw', 'wanted'],
        properties: [
            new OA\Property(
                'depths',
                description: 'live, listed pages by clicks from the start page; null for those that nothing reaches',
                type: 'array',
                items: new OA\Items(
                    required: ['clicks', 'pages'],
                    type: 'object',
                    properties: [new OA\Property('clicks', type: 'integer', nullable: true), new OA\Property('pages', type: 'integer')],
                ),
            ),
            new OA\Property('orphans', type: 'array', items: new OA\Items(ref: '#/components/schemas/LinkedPage')),
            new OA\Property('heaviest', type: 'array', items: new OA\Items(ref: '#/components/schemas/LinkedPage')),
            new OA\Property('loneliest', type: 'array', items: new OA\Items(ref: '#/components/schemas/LinkedPage')),
            new OA\Property(
                'wanted',
                description: 'names of pages that links want and nobody has made, those that most pages want first; up to 200',
                type: 'array',
                items: new OA\Items(
                    required: ['name', 'pages', 'total'],
                    type: 'object',
                    properties: [
                        new OA\Property('name', type: 'string'),
                        new OA\Property(
                            'pages',
                            description: 'that want it, up to 5',
                            type: 'array',
                            items: new OA\Items(ref: '#/components/schemas/PageCrumb'),
                        ),
                        new OA\Property('total', type: 'integer'),
                    ],
                ),
            ),
            new OA\Property(
                'raw',
                description: 'links of content that are written as addresses of this site, up to 500',
                type: 'array',
                items: new OA\Items(
                    required: ['page', 'name', 'href', 'address', 'live', 'fate', 'mends', 'leadsTo'],
                    type: 'object',
                    properties: [
                        new OA\Property('page', type: 'string'),
                        new OA\Property('name', type: 'string'),
                        new OA\Property('href', type: 'string'),
                        new OA\Property('address', type: 'string'),
                        new OA\Property('live', type: 'boolean'),
                        new OA\Property('fate', type: 'string', enum: ['page', 'redirect', 'nothing', 'other']),
                        new OA\Property('mends', description: 'whether it can become a link to the page, by mend-links', type: 'boolean'),
                        new OA\Property('leadsTo', description: 'page, or where the redirect leads', type: 'string', nullable: true),
                    ],
                ),
            ),
        ],
    ),
]
#[OA\Schema(schema: 'SearchFileText', required: ['text'], properties: [new OA\Property('text', type: 'string')])]
#[
    OA\Schema(
        schema: 'SearchFileRead',
        required: ['rows', 'changes', 'pages', 'refused', 'same'],
        properties: [
            new OA\Property(
                'rows',
                type: 'array',
                items: new OA\Items(
                    required: ['line', 'page', 'name', 'address', 'changes', 'field', 'reason'],
                    type: 'object',
                    properties: [
                        new OA\Property('line', type: 'integer'),
                        new OA\Property('page', type: 'string', nullable: true),
                        new OA\Property('name', type: 'string'),
                        new OA\Property('address', type: 'string'),
                        new OA\Property('changes', description: 'whether the row says something else than stands', type: 'boolean'),
                        new OA\Property('field', type: 'string', nullable: true),
                        new OA\Property('reason', description: 'why the row cannot be taken', type: 'string', nullable: true),
                    ],
                ),
            ),
            new OA\Property('changes', description: 'for a batch', type: 'array', items: new OA\Items(ref: '#/components/schemas/Change')),
            new OA\Property('pages', description: 'rows that change their page', type: 'integer'),
            new OA\Property('refused', type: 'integer'),
            new OA\Property('same', description: 'rows that say what stands already', type: 'integer'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'LinkGraph',
        required: ['pages', 'rings', 'ways', 'links', 'total'],
        properties: [
            new OA\Property(
                'pages',
                type: 'array',
                items: new OA\Items(
                    required: ['id', 'name', 'address', 'section', 'clicks', 'linksIn', 'weight', 'x', 'y'],
                    properties: [
                        new OA\Property('id', type: 'string'),
                        new OA\Property('name', type: 'string'),
                        new OA\Property('address', type: 'string'),
                        new OA\Property('section', description: 'name of the page at the top of its branch', type: 'string', nullable: true),
                        new OA\Property('clicks', description: 'null where nothing leads to it', type: 'integer', nullable: true),
                        new OA\Property('linksIn', type: 'integer'),
                        new OA\Property('weight', description: 'of a thousand for all pages', type: 'number'),
                        new OA\Property('x', description: 'around the start page', type: 'number'),
                        new OA\Property('y', type: 'number'),
                    ],
                    type: 'object',
                ),
            ),
            new OA\Property(
                'rings',
                description: 'radius of each, from one click on; pages that nothing leads to stand on the last',
                type: 'array',
                items: new OA\Items(type: 'number'),
            ),
            new OA\Property(
                'ways',
                description: 'by which pages are reached first: positions in pages',
                type: 'array',
                items: new OA\Items(type: 'array', items: new OA\Items(type: 'integer')),
            ),
            new OA\Property(
                'links',
                description: 'further links of contents, likewise',
                type: 'array',
                items: new OA\Items(type: 'array', items: new OA\Items(type: 'integer')),
            ),
            new OA\Property('total', description: 'pages there are', type: 'integer'),
        ],
    ),
]
final class SearchShapes
{
}
