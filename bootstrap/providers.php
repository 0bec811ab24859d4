<?php

declare(strict_types=1);

return [
    AppServiceProvider::class,
];
