<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/** Where a setting of a page comes from. */
final readonly class SettingSource
{
    /**
     * @param  string  $id  of the page whose branch says it, or the key of the layout; empty for other scopes
     * @param  string  $name  of that page
     */
    public function __construct(public SettingScope $scope, public string $id = '', public string $name = '')
    {
    }
}
