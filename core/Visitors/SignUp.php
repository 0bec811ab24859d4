<?php

declare(strict_types=1);

namespace Heronstem\Core\Visitors;

use Heronstem\Core\InputRefused;

/** Whether visitors make accounts themselves, and what roles they get by it. */
final readonly class SignUp
{
    public const NOBODY = 'nobody';

    public const EVERYONE = 'everyone';

    /** Whoever asks is let in by somebody. */
    public const APPROVAL = 'approval';

    private const MOST = 20;

    private const DOMAIN = '/^(?=.{1,253}$)(?:[a-z0-9](?:[a-z0-9-]{0,61}[a-z0-9])?\.)+[a-z0-9-]{2,63}$/D';

    /**
     * @param  string  $open  one of the constants
     * @param  list<string>  $roles  of everybody who signs up
     * @param  array<string, list<string>>  $byDomain  more of them for those whose mail address is at a domain
     */
    private function __construct(public string $open = self::NOBODY, public array $roles = [], public array $byDomain = [])
    {
    }

    /**
     * @param  array<mixed>  $given  open, roles, byDomain
     *
     * @throws InputRefused naming the field
     */
    public static function read(array $given): self
    {
        $open = $given['open'] ?? null;
        if (! in_array($open, [self::NOBODY, self::EVERYONE, self::APPROVAL], true)) {
            throw new InputRefused('open', 'Accounts are made by nobody, by everyone, or with approval.', self::NOBODY);
        }
        $byDomain = $given['byDomain'] ?? [];
        if (! is_array($byDomain) || count($byDomain) > self::MOST) {
            throw new InputRefused('byDomain', sprintf('These are at most %d domains, each with a list of roles.', self::MOST));
        }
        $read = [];
        foreach ($byDomain as $domain => $roles) {
            $name = mb_strtolower(trim((string) $domain, " \t@"));
            if (preg_match(self::DOMAIN, $name) !== 1) {
                throw new InputRefused('byDomain', "“{$domain}” is not a domain of mail addresses. Write it like skerrivane.example.");
            }
            $read[$name] = VisitorRoles::read($roles, "byDomain.$domain");
        }

        return new self($open, VisitorRoles::read($given['roles'] ?? [], 'roles'), $read);
    }

    /** @return list<string> roles of somebody who signs up with a confirmed mail address */
    public function rolesFor(string $mail): array
    {
        $domain = mb_strtolower(substr((string) strrchr($mail, '@'), 1));

        return array_values(array_unique([...$this->roles, ...$this->byDomain[$domain] ?? []]));
    }

    public function isOpen(): bool
    {
        return $this->open !== self::NOBODY;
    }

    /** @return array{open: string, roles: list<string>, byDomain: array<string, list<string>>} */
    public function toArray(): array
    {
        return ['open' => $this->open, 'roles' => $this->roles, 'byDomain' => $this->byDomain];
    }

    /** @param  string|null  $text  JSON of what toArray() gave */
    public static function stored(?string $text): self
    {
        $kept = $text === null ? null : json_decode($text, true);

        return is_array($kept) ? self::read($kept) : new self();
    }
}
