<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Heronstem\Core\Identity;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Tree\PageTexts;
use Heronstem\Core\Tree\Stored;
use Heronstem\Core\Visitors\PageAccess;

/**
 * A page as a record of a site file: everything that is said of it, under plain names. What a record does not say is as usual.
 * Described in docs/develop/site-format.md.
 */
final class SiteRecord
{
    /**
     * @param  array<mixed>|null  $content  the document that was saved last
     * @param  array<mixed>|null  $liveContent  what visitors get, where that is another
     * @param  list<string>  $former  addresses that send on to it
     * @param  list<string>  $also  addresses that serve it
     * @param  string|null  $start  for whom it is the start page: visitors or signed-in
     * @return array<string, mixed>
     */
    public static function write(Page $page, ?array $content, ?array $liveContent, array $former, array $also, ?string $start): array
    {
        $access = $page->access?->toArray();

        return array_filter(
            [
                'id' => $page->id,
                'parent' => $page->parent,
                'name' => $page->name,
                'slug' => $page->slug->text,
                'slugFollows' => ! $page->slugByHand,
                'address' => $page->address->path,
                'kind' => $page->kind === PageKind::Page ? null : $page->kind->value,
                'leadsTo' => $page->leadsTo?->toArray(),
                'leftOut' => $page->leftOut,
                'pinned' => $page->pinned?->path,
                'state' => $page->state->value,
                'wasLive' => $page->everLive && ! $page->isLive(),
                'from' => $page->from?->iso(),
                'until' => $page->until?->iso(),
                'unlisted' => ! $page->listed,
                'protected' => $page->isProtected,
                'start' => $start,
                'layout' => $page->layout === 'page' ? null : $page->layout,
                ...self::texts($page->texts),
                'prepared' => $page->prepared === null ? null : self::texts($page->prepared) + ['fields' => (object) []],
                'search' => self::search($page),
                'branchSearch' => $page->branchSearch->toArray(),
                'tags' => $page->tags->all,
                'showing' => array_filter(
                    ['picture' => $page->showing->picture, 'reload' => $page->showing->reload],
                    static fn (mixed $said): bool => $said !== null,
                ),
                'code' => Stored::said(['styles' => $page->code->styles, 'head' => $page->code->head]),
                'access' => $access === null
                        ? null
                        : array_diff_key($access, ['password' => true]) + (isset($access['password']) ? ['hadPassword' => true] : []),
                'former' => $former,
                'also' => $also,
                'content' => $content,
                'liveContent' => $liveContent,
            ],
            static fn (mixed $said): bool => $said !== null && $said !== false && $said !== '' && $said !== [],
        );
    }

    /**
     * @param  array<mixed>  $record
     *
     * @throws InputRefused where it is none
     */
    public static function read(array $record, string $at): GivenPage
    {
        $text = static fn (string $field): ?string => is_string($record[$field] ?? null) && $record[$field] !== '' ? $record[$field] : null;
        $list = static fn (string $field): array => is_array($record[$field] ?? null)
            ? array_values(array_filter($record[$field], is_string(...)))
            : [];
        $map = static fn (string $field): array => is_array($record[$field] ?? null) ? $record[$field] : [];
        $id = $record['id'] ?? null;
        if (! Identity::names($id)) {
            throw new InputRefused('id', 'A page of a site file has an identity, 26 letters and digits.');
        }
        $remarks = [];

        return new GivenPage(
            $at,
            id: $id,
            address: $text('address'),
            key: $id,
            parent: $text('parent'),
            hasPlace: true,
            name: $text('name'),
            slug: $text('slug'),
            slugByHand: ($record['slugFollows'] ?? false) !== true,
            pinned: $text('pinned'),
            isStart: ($record['start'] ?? null) === 'visitors',
            leftOut: ($record['leftOut'] ?? false) === true,
            kind: $text('kind') ?? 'page',
            leadsTo: self::target($record['leadsTo'] ?? null),
            layout: $text('layout'),
            texts: array_map(strval(...), array_filter(array_intersect_key($record, PageTexts::MAX_LENGTHS), is_string(...))),
            settings: $map('search'),
            fields: $map('fields'),
            state: $text('state'),
            wasLive: ($record['wasLive'] ?? false) === true,
            listed: ($record['unlisted'] ?? false) !== true,
            from: $text('from'),
            until: $text('until'),
            tags: $list('tags'),
            content: self::document($record['content'] ?? null),
            former: $list('former'),
            takesId: true,
            prepared: is_array($record['prepared'] ?? null) ? $record['prepared'] : null,
            liveContent: self::document($record['liveContent'] ?? null),
            then: self::further($record, $list('also'), $remarks),
            remarks: $remarks,
        );
    }

    /** @return array<string, mixed> those that say something */
    private static function texts(PageTexts $texts): array
    {
        $said = $texts->toArray();
        unset($said['fields']);

        return array_filter($said, static fn (?string $text): bool => $text !== null && $text !== '') +
            ($texts->fields->values === [] ? [] : ['fields' => $texts->fields->values]);
    }

    /** @return array<string, mixed> as a change sets it */
    private static function search(Page $page): array
    {
        $own = $page->search->own->toArray();
        if (isset($own['priority'])) {
            $own['priority'] = (int) $own['priority'] / 10;
        }
        $canonical = $page->search->canonical->toText();

        return array_filter(
            [
                ...$own,
                'canonical' => $canonical === 'itself' ? '' : $canonical,
                'targetPhrase' => $page->search->targetPhrase,
                'siteSearchDescription' => $page->search->siteSearchDescription,
            ],
            static fn (mixed $said): bool => $said !== '',
        );
    }

    private static function target(mixed $given): ?string
    {
        if (! is_array($given)) {
            return null;
        }
        foreach (TargetKind::cases() as $kind) {
            $to = $given[$kind->value] ?? null;
            if (is_string($to)) {
                return $kind === TargetKind::File ? "file:$to" : $to;
            }
        }

        return null;
    }

    private static function document(mixed $given): ?GivenContent
    {
        return is_array($given)
            ? new GivenContent(ContentForm::Document, json_encode($given, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES))
            : null;
    }

    /**
     * What else is said of it, as changes.
     *
     * @param  array<mixed>  $record
     * @param  list<string>  $also
     * @param  list<Remark>  $remarks
     * @return list<array<string, mixed>>
     */
    private static function further(array $record, array $also, array &$remarks): array
    {
        $changes = [];
        if (($record['protected'] ?? false) === true) {
            $changes[] = ['kind' => 'protect'];
        }
        foreach (['branchSearch' => 'set-branch-search', 'code' => 'set-code'] as $field => $kind) {
            if (is_array($record[$field] ?? null) && $record[$field] !== []) {
                $said = $record[$field];
                if (isset($said['priority']) && is_int($said['priority']) && $field === 'branchSearch') {
                    $said['priority'] /= 10;
                }
                $changes[] = ['kind' => $kind, ...$said];
            }
        }
        if (is_array($record['showing'] ?? null) && $record['showing'] !== []) {
            $changes[] = ['kind' => 'describe', ...array_intersect_key($record['showing'], ['picture' => true, 'reload' => true])];
        }
        if (is_array($record['access'] ?? null)) {
            $access = $record['access'];
            $hadPassword = ($access['hadPassword'] ?? false) === true;
            unset($access['hadPassword']);
            if ($hadPassword) {
                $access = ['to' => PageAccess::NOBODY];
                $remarks[] = Remark::of(
                    'access',
                    'Visitors opened it with a password, which no file holds: it is imported closed to everyone. Set a new password.',
                );
            }
            $changes[] = ['kind' => 'set-access', 'access' => $access];
        }
        if (($record['start'] ?? null) === 'signed-in') {
            $changes[] = ['kind' => 'set-start-page', 'for' => 'signed-in'];
        }
        foreach ($also as $address) {
            $changes[] = ['kind' => 'add-address', 'address' => $address, 'answer' => 'serve'];
        }

        return $changes;
    }
}
