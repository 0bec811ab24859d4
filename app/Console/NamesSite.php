<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Site;

/** Of commands that are about one site: the one of --site, or the first. */
trait NamesSite
{
    /** Null where there is none, which has been said then. */
    private function site(): ?Site
    {
        $key = $this->option('site');
        $site = Site::query()
            ->when(is_string($key) && $key !== '', fn ($query) => $query->where('key', $key))
            ->orderBy('id')
            ->first();
        if ($site === null) {
            $this->error(
                is_string($key) && $key !== ''
                    ? "There is no site \"$key\"; there are: ".implode(', ', Site::query()->orderBy('id')->pluck('key')->all()).'.'
                    : 'There is no site yet. ./heronstem demo makes some.',
            );
        }

        return $site;
    }
}
