<?php

declare(strict_types=1);

return [
    // A token stands for itself: it is never mixed with who signed in with the browser.
    'guard' => [],
    'expiration' => null,
];
