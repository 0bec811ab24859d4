<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Visitors\PageAccess;

/** A page that visitors get is seen by others than before, at once or at a moment to come. */
final readonly class VisitorChange
{
    /**
     * @param  string  $address  as it is from now on
     * @param  bool  $listed  in menus, lists and sitemap for those who see it
     * @param  PageAccess|null  $before  what decided about it; null for everyone
     * @param  PageAccess|null  $after  what decides from now on
     */
    public function __construct(
        public string $page,
        public string $name,
        public string $address,
        public bool $listed,
        public ?PageAccess $before,
        public ?PageAccess $after,
    ) {
    }

    /** Whether some no longer see it at once. Of two rules that both let in some only it is not known who passes both. */
    public function closes(): bool
    {
        return ($this->before?->isEveryone() ?? true) && ! ($this->after?->isEveryone() ?? true);
    }

    public function opens(): bool
    {
        return ! ($this->before?->isEveryone() ?? true) && ($this->after?->isEveryone() ?? true);
    }
}
