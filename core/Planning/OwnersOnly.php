<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Workspace\Authority;
use Heronstem\Core\Workspace\Workspace;

/** What only an owner of a site does, by whatever change and by undoing one: which pages are protected. A page that comes back is as it was. */
final class OwnersOnly
{
    /** @throws InputRefused */
    public static function guard(Workspace $workspace): void
    {
        if ($workspace->site->authority === Authority::Owner) {
            return;
        }
        foreach ($workspace->pages->touched() as $id) {
            [$before, $now] = [$workspace->pages->before($id), $workspace->pages->find($id)];
            if ($before === null || $now === null) {
                continue;
            }
            if ($before->isProtected !== $now->isProtected) {
                throw new InputRefused('page', 'Only the owner of the site says which pages are protected. Ask them.');
            }
        }
    }
}
