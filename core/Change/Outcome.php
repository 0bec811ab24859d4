<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

/** What a batch did, as far as the sentences of its changes tell it. Names stand between asterisks. */
interface Outcome
{
    /** A page's name from now on. */
    public function page(string $id): string;

    /** A page's name up to now. */
    public function formerPage(string $id): string;

    /** What a page is inside of, after the batch: null at the top of the tree. */
    public function parentOf(string $id): ?string;

    /** Whether a page had the same parent before. */
    public function keepsParent(string $id): bool;

    /** Pages that went into the bin because they were below others. */
    public function binnedAlong(): int;

    public function menu(string $id): string;

    /** @return array{int, int, int} entries of a menu that came, went and changed */
    public function entriesOf(string $menu): array;

    /** The source of a redirect rule. */
    public function redirect(string $id): string;

    /** A role's name from now on, by its key. */
    public function role(string $key): string;

    /** A role's name up to now. */
    public function formerRole(string $key): string;

    public function person(string $id): string;

    /** The same where several pages are spoken of at once, as a number; one of them stands for all. */
    public function together(string $page, int $count): self;
}
