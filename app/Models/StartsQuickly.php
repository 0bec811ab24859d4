<?php

declare(strict_types=1);

namespace App\Models;

/**
 * Traits of a model are begun and prepared by the names of their methods alone. The framework looks for attributes on all of a model's
 * five hundred methods besides, once a request for each model; none of ours has one.
 *
 * @mixin \Illuminate\Database\Eloquent\Model
 */
trait StartsQuickly
{
    protected static function bootTraits(): void
    {
        static::$traitInitializers[static::class] = [];
        foreach (class_uses_recursive(static::class) as $trait) {
            $name = class_basename($trait);
            if (method_exists(static::class, "boot$name")) {
                static::{"boot$name"}();
            }
            if (method_exists(static::class, "initialize$name")) {
                static::$traitInitializers[static::class][] = "initialize$name";
            }
        }
    }
}
