<?php

declare(strict_types=1);

namespace Heronstem\Core\Address;

/**
 * What becomes of the addresses below a page when its own is another: what stands in front is replaced, what follows stays.
 * Holds for every page below that has its address from its parent and its slug (Composition).
 */
final readonly class AddressShift
{
    /**
     * @param  string  $from  what addresses below began with, its slash included
     * @param  string  $to  what they begin with from now on
     * @param  string  $fromKey  the same in keys
     */
    private function __construct(public string $from, public string $to, public string $fromKey, public string $toKey)
    {
    }

    /** @return self|null null where nothing below the page has another key, or would have one that no page can have */
    public static function between(Address $before, Address $after, AddressRules $rules): ?self
    {
        [$from, $to] = [Composition::passedOn($before, $rules).'/', Composition::passedOn($after, $rules).'/'];
        [$fromKey, $toKey] = [NormalForm::key($from, $rules), NormalForm::key($to, $rules)];

        return $from === '/' || $to === '/' || $fromKey === $toKey || ReservedAddresses::includes($after)
            ? null
            : new self($from, $to, $fromKey, $toKey);
    }

    /** @return Address|null null for an address that is not below, or that would be longer than one can be */
    public function of(Address $address): ?Address
    {
        if (! str_starts_with($address->path, $this->from) || ! str_starts_with($address->key, $this->fromKey)) {
            return null;
        }
        $path = $this->to.substr($address->path, strlen($this->from));
        $key = $this->toKey.substr($address->key, strlen($this->fromKey));

        return strlen($path) > Address::MAX_LENGTH ? null : Address::kept($path, $key === $path ? $path : $key);
    }
}
