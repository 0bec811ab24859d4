<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/** Port: what is known of films that other sites show. */
interface Films
{
    /** Null while the site has not been asked, or did not answer. */
    public function at(string $address): ?Film;
}
