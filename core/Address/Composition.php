<?php

declare(strict_types=1);

namespace Heronstem\Core\Address;

/** How a page's address is put together from its parent's address and its own slug. */
final class Composition
{
    /**
     * Parent's address + `/` + slug, in normal form.
     *
     * @param  Address|null  $parent  null at the top of the tree
     *
     * @throws InvalidAddress when it would be longer than an address can be
     */
    public static function compose(?Address $parent, Slug $slug, AddressRules $rules): Address
    {
        $base = $parent === null ? '' : self::passedOn($parent, $rules);
        $address = Address::stored(NormalForm::of($base.'/'.$slug->encoded(), $rules), $rules);
        if (strlen($address->path) > Address::MAX_LENGTH) {
            throw new InvalidAddress(
                'slug',
                sprintf('With this slug the address has %d characters; at most %d are possible.', strlen($address->path), Address::MAX_LENGTH),
            );
        }

        return $address;
    }

    /** What addresses of pages below begin with: the address without what the site puts at the end of every one, and without a slash. */
    public static function passedOn(Address $parent, AddressRules $rules): string
    {
        $base = rtrim($parent->path, '/');

        return $rules->suffix !== '' && str_ends_with(strtolower($base), strtolower($rules->suffix))
            ? substr($base, 0, -strlen($rules->suffix))
            : $base;
    }
}
