<?php

declare(strict_types=1);

namespace App\Models;

/** @mixin \Illuminate\Database\Eloquent\Model */
trait HoldsRow
{
    /** As it is by now, and held until the transaction ends: what somebody else has said of it in the same moment is there, and nothing more comes. */
    public function hold(): void
    {
        $this->setRawAttributes(self::query()->whereKey($this->getKey())->lockForUpdate()->firstOrFail()->getAttributes(), true);
    }
}
