<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\MatchList;
use App\Models\Plan;
use Heronstem\Core\InputRefused;
use Heronstem\Core\OneLine;

/** The name of something that a site has several of: there is one, it is no longer than its field, and no other has it. */
final class OwnName
{
    /**
     * @param  string  $what  it is, as people call it
     *
     * @throws InputRefused naming the field
     */
    public static function of(Plan|MatchList $one, string $typed, string $what, int $most): string
    {
        $name = OneLine::typed($typed);
        if ($name === '' || mb_strlen($name) > $most) {
            throw new InputRefused('name', sprintf('A %s has a name of 1 to %d characters.', $what, $most));
        }
        $isTaken = $one
            ->newQuery()
            ->where('site_id', $one->site_id)
            ->where('name', $name)
            ->when($one->exists, static fn ($query) => $query->whereKeyNot($one->id))
            ->exists();

        return $isTaken ? throw new InputRefused('name', "There is a $what named “{$name}” already.") : $name;
    }
}
