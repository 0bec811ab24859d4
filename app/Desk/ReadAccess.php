<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Models\Site;
use App\Models\Visitor;
use Heronstem\Core\Visitors\Network;
use Heronstem\Core\Visitors\PageAccess;

/** Who sees a page, as it is said for it and as it follows from what is said above. */
final readonly class ReadAccess
{
    public function __construct(private SeenBy $seen)
    {
    }

    /** @return array{own: array<string, mixed>|null, holds: array<string, mixed>|null, by: array{id: string, name: string}|null, roles: list<string>} */
    public function of(Page $page, Site $site): array
    {
        $access = $this->seen->access($page, $this->seen->gates($site));

        return [
            'own' => self::shown(PageAccess::stored($page->access)),
            'holds' => self::shown($access),
            'by' => $access === null ? null : $this->by($page, $access),
            'roles' => $this->roles($site),
        ];
    }

    /** @return list<string> roles that visitors of a site have, or that pages ask for */
    private function roles(Site $site): array
    {
        $said = Page::query()->where('site_id', $site->id)->whereNotNull('access')->pluck('access');
        $roles = [
            ...Visitor::query()->where('site_id', $site->id)->pluck('roles')->flatten()->all(),
            ...$said->flatMap(static fn (string $access): array => PageAccess::stored($access)->roles ?? [])->all(),
        ];
        $names = array_values(array_unique(array_filter($roles, is_string(...))));
        sort($names);

        return $names;
    }

    /** @return array{id: string, name: string}|null the page that says it; null where that is the page itself */
    private function by(Page $page, PageAccess $access): ?array
    {
        foreach ([$page, ...array_reverse($page->ancestors())] as $each) {
            if (PageAccess::stored($each->access)?->toText() === $access->toText()) {
                return $each->id === $page->id ? null : ['id' => $each->ulid, 'name' => $each->name];
            }
        }

        return null;
    }

    /** @return array<string, mixed>|null without the password, of which it is told that there is one */
    private static function shown(?PageAccess $access): ?array
    {
        return $access === null
            ? null
            : [
                'to' => $access->to,
                'signedIn' => $access->signedIn,
                'roles' => $access->roles,
                'hasPassword' => $access->password !== null,
                'networks' => array_map(static fn (Network $network): string => $network->toText(), $access->networks),
                'all' => $access->all,
                'others' => $access->others->value,
                'from' => $access->from?->iso(),
                'until' => $access->until?->iso(),
                'https' => $access->https,
                'words' => $access->inWords(),
            ];
    }
}
