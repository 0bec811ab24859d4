<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Workspace\Authority;
use Heronstem\Core\Workspace\Workspace;

/**
 * What only the owner of a site does, by whatever change and by undoing one: which pages are protected, and code on pages. A page
 * that comes back has what it had.
 */
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
            if ($before->code->toText() !== $now->code->toText()) {
                throw new InputRefused('page', 'Only the owner of the site writes code on pages. Ask them.');
            }
        }
        if ($workspace->search()->head !== $workspace->site->search->head) {
            throw new InputRefused('page', 'Only the owner of the site writes the head lines of all pages. Ask them.');
        }
    }
}
