<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

use Heronstem\Core\InputRefused;

/** Whom an entry is for. */
final readonly class Audience
{
    private const EVERYONE = 'everyone';

    private const VISITORS = 'visitors';

    private const SIGNED_IN = 'signed-in';

    /** @param  list<string>  $roles */
    public function __construct(private string $who = self::EVERYONE, public array $roles = [])
    {
    }

    public static function everyone(): self
    {
        return new self(self::EVERYONE);
    }

    /** Those who are not signed in. */
    public static function visitors(): self
    {
        return new self(self::VISITORS);
    }

    public static function signedIn(): self
    {
        return new self(self::SIGNED_IN);
    }

    /** Those signed in who have one of these roles. */
    public static function of(string ...$roles): self
    {
        return new self('roles', array_values(array_unique($roles)));
    }

    /** @throws InputRefused */
    public static function read(string $text): self
    {
        $roles = str_starts_with($text, 'roles:')
            ? array_values(array_filter(array_map(trim(...), explode(',', substr($text, 6))), static fn (string $role): bool => $role !== ''))
            : [];

        return match (true) {
            in_array($text, [self::EVERYONE, self::VISITORS, self::SIGNED_IN], true) => new self($text),
            $roles !== [] && array_filter($roles, static fn (string $role): bool => preg_match('/^[\p{L}\p{N} -]{1,40}$/u', $role) !== 1) === [] => self::of(...$roles),
            default => throw new InputRefused(
                'audience',
                'An entry is for everyone, visitors (not signed in), signed-in, or roles:name,name.',
                self::EVERYONE,
            ),
        };
    }

    public function admits(Viewer $viewer): bool
    {
        return $viewer->isAnybody ||
            match ($this->who) {
                self::EVERYONE => true,
                self::VISITORS => ! $viewer->isSignedIn,
                self::SIGNED_IN => $viewer->isSignedIn,
                default => array_intersect($this->roles, $viewer->roles) !== [],
            };
    }

    public function isEveryone(): bool
    {
        return $this->who === self::EVERYONE;
    }

    public function toText(): string
    {
        return $this->roles === [] ? $this->who : 'roles:'.implode(',', $this->roles);
    }
}
