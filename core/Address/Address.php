<?php

declare(strict_types=1);

namespace Heronstem\Core\Address;

/**
 * One address of a site: a path in normal form and the key by which it is compared.
 * Query and fragment are not part of an address.
 */
final readonly class Address
{
    /** Longest address, in characters of its normal form. */
    public const MAX_LENGTH = 2000;

    private function __construct(public string $path, public string $key)
    {
    }

    /**
     * An address somebody set by hand.
     *
     * @throws InvalidAddress for what an address cannot hold
     */
    public static function set(string $typed, AddressRules $rules): self
    {
        $typed = trim($typed);
        if ($typed === '') {
            throw new InvalidAddress('address', 'An address cannot be empty.', '/');
        }
        ForbiddenCharacters::refuse($typed, static fn (string $reason, string $way): InvalidAddress => new InvalidAddress('address', $reason, $way));
        if (! str_starts_with($typed, '/')) {
            throw new InvalidAddress('address', 'An address begins with a slash.', '/'.$typed);
        }
        if (str_starts_with($typed, '//')) {
            throw new InvalidAddress(
                'address',
                'Two slashes at the beginning name another host. Begin an address of this site with one.',
                '/'.ltrim($typed, '/'),
            );
        }

        return self::checked(NormalForm::of($typed, $rules), $rules);
    }

    /**
     * The address a request asks for: a path or a whole http(s) URL, in any spelling;
     * host, query and fragment are put aside.
     *
     * @throws InvalidAddress when it is longer than any address can be
     */
    public static function asked(string $target, AddressRules $rules): self
    {
        $target = trim($target, "\x00..\x20");
        $target = (string) preg_replace('#^https?:[/\\\\]+[^/\\\\?\#]*#i', '', $target);
        $path = substr($target, 0, strcspn($target, '?#'));

        return self::checked(NormalForm::of($path, $rules), $rules);
    }

    /** An address that is in normal form already, as the ledger holds it. */
    public static function stored(string $path, AddressRules $rules): self
    {
        $key = NormalForm::key($path, $rules);

        return new self($path, $key === $path ? $path : $key);
    }

    /** An address that was taken apart into these two, put together again. */
    public static function kept(string $path, string $key): self
    {
        return new self($path, $key);
    }

    public function equals(self $other): bool
    {
        return $this->key === $other->key;
    }

    /** With letters beyond ASCII as letters, for people to read. */
    public function readable(): string
    {
        return NormalForm::readable($this->path);
    }

    private static function checked(string $normal, AddressRules $rules): self
    {
        if (strlen($normal) > self::MAX_LENGTH) {
            throw new InvalidAddress('address', sprintf('An address has at most %d characters; this one has %d.', self::MAX_LENGTH, strlen($normal)));
        }

        return self::stored($normal, $rules);
    }
}
