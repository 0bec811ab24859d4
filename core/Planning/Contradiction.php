<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

/** Something of a page that a plan changes, and that was changed on the living site meanwhile. */
final readonly class Contradiction
{
    /**
     * @param  string  $name  of the page, as the plan leaves it
     * @param  string  $field  by the name that Page::toFields() gives it
     * @param  scalar|null  $was  when it was prepared
     * @param  scalar|null  $is  on the site now
     * @param  scalar|null  $planned  as the plan has it
     */
    public function __construct(
        public string $page,
        public string $name,
        public string $field,
        public string|int|float|bool|null $was,
        public string|int|float|bool|null $is,
        public string|int|float|bool|null $planned,
    ) {
    }
}
