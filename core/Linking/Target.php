<?php

declare(strict_types=1);

namespace Heronstem\Core\Linking;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\InvalidAddress;
use Heronstem\Core\Identity;
use Heronstem\Core\InputRefused;

/** Where a pointer or a download leads: a page and a file by identity, an address of the site, or a URL elsewhere. */
final readonly class Target
{
    /** Longest URL, in characters. */
    public const MAX_LENGTH = 2000;

    private function __construct(public TargetKind $kind, public string $value)
    {
    }

    /**
     * @throws InputRefused when it is no such thing
     * @throws InvalidAddress for what an address cannot hold
     */
    public static function read(mixed $kind, mixed $value, AddressRules $rules): self
    {
        $kind = is_string($kind) ? TargetKind::tryFrom($kind) : null;
        if ($kind === null || ! is_string($value)) {
            throw new InputRefused('leadsTo', 'A target is one of {"page": identity}, {"address": "/…"}, {"url": "https://…"}, {"file": identity}.');
        }

        return match ($kind) {
            TargetKind::Page => self::page(self::identity($value)),
            TargetKind::File => self::file(self::identity($value)),
            TargetKind::Address => new self($kind, Address::set($value, $rules)->path),
            TargetKind::Url => self::url($value),
        };
    }

    public static function page(string $id): self
    {
        return new self(TargetKind::Page, $id);
    }

    public static function file(string $id): self
    {
        return new self(TargetKind::File, $id);
    }

    /** @throws InputRefused unless it is an absolute http(s) URL (RFC 3986) without credentials */
    public static function url(string $typed): self
    {
        $typed = trim($typed);
        $parts = preg_match('/[\x00-\x20\x7F<>"\\\\^`{|}]/', $typed) === 1 ? false : parse_url($typed);
        if ($parts === false || ! in_array(strtolower($parts['scheme'] ?? ''), ['http', 'https'], true) || ($parts['host'] ?? '') === '') {
            throw new InputRefused('leadsTo', 'A URL elsewhere begins with https:// or http:// and names a host.', 'https://');
        }
        if (isset($parts['user']) || isset($parts['pass'])) {
            throw new InputRefused('leadsTo', 'A URL that visitors follow must not carry a name or password.');
        }
        if (strlen($typed) > self::MAX_LENGTH) {
            throw new InputRefused('leadsTo', sprintf('A URL has at most %d characters; this one has %d.', self::MAX_LENGTH, strlen($typed)));
        }

        return new self(TargetKind::Url, $typed);
    }

    /** As toText() wrote it. */
    public static function stored(string $text): self
    {
        [$kind, $value] = explode(' ', $text, 2);

        return new self(TargetKind::from($kind), $value);
    }

    public function toText(): string
    {
        return $this->kind->value.' '.$this->value;
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return [$this->kind->value => $this->value];
    }

    private static function identity(mixed $value): string
    {
        if (! Identity::names($value)) {
            throw new InputRefused('leadsTo', 'Pages and files are named by their identity, 26 letters and digits.');
        }

        return $value;
    }
}
