<?php

declare(strict_types=1);

namespace Heronstem\Core\Access;

/**
 * What one person may do on a site, from the lines that speak of them and of their roles.
 *
 * The rule: owners may do everything. For everybody else the nearest branch that says something of a right decides; on one level a
 * line of their own comes before those of their roles, and among those a denial before an allowance; where nothing is said up
 * to the whole site, the answer is no. Where somebody may not see they may do nothing else, and what is held for a whole site
 * takes that they see some of it.
 */
final readonly class RightsOfPerson
{
    /** The level of the whole site, behind all branches. */
    private const SITE = '';

    /**
     * @param  array<string, array<string, Line>>  $deciding  by branch and right
     * @param  list<Right>|null  $only  no other than these; null where nothing narrows them
     */
    private function __construct(private bool $isOwner, private array $deciding, private ?array $only = null)
    {
    }

    /** @param  iterable<Line>  $lines  those of others are passed over */
    public static function of(Person $person, iterable $lines): self
    {
        $deciding = [];
        foreach ($lines as $line) {
            if ($person->has($line->who)) {
                $known = $deciding[$line->branch ?? self::SITE][$line->right->value] ?? null;
                if ($known === null || self::comesBefore($line, $known)) {
                    $deciding[$line->branch ?? self::SITE][$line->right->value] = $line;
                }
            }
        }

        return new self($person->isOwner(), $deciding);
    }

    /** Of nobody: nothing. */
    public static function none(): self
    {
        return new self(false, []);
    }

    /** Everything, for what the installation itself does. */
    public static function all(): self
    {
        return new self(true, []);
    }

    /**
     * The same, narrowed to some rights: of somebody who acts by a token that was made for less than they may do themselves.
     *
     * @param  list<Right>  $rights
     */
    public function onlyWith(array $rights): self
    {
        return new self($this->isOwner, $this->deciding, $this->only === null ? $rights : self::both($this->only, $rights));
    }

    /** Whether they may do everything. */
    public function isOwner(): bool
    {
        return $this->isOwner && $this->only === null;
    }

    /**
     * @param  list<Right>  $some
     * @param  list<Right>  $others
     * @return list<Right>
     */
    private static function both(array $some, array $others): array
    {
        return array_values(array_filter($some, static fn (Right $right): bool => in_array($right, $others, true)));
    }

    /** @param  list<string>  $branches  the pages around a place, nearest first, itself included; those without lines may be left out */
    public function on(Right $right, array $branches = []): Verdict
    {
        if ($this->only !== null && ! in_array($right, $this->only, true)) {
            return Verdict::nothingSaid();
        }
        if ($this->isOwner) {
            return Verdict::owner();
        }
        $verdict = $this->said($right, $right->isOfSite() ? [] : $branches);
        if ($right === Right::See || ! $verdict->isYes) {
            return $verdict;
        }
        $seen = $this->said(Right::See, $branches);

        return $seen->isYes || ($right->isOfSite() && $this->isAllowedSomewhere(Right::See)) ? $verdict : $seen->asNotSeen();
    }

    /** @param  list<string>  $branches  as for on() */
    public function may(Right $right, array $branches = []): bool
    {
        return $this->on($right, $branches)->isYes;
    }

    /**
     * Whether they may do it in some part of the site, if not in all. Which branches stand in which is not known here, so that a part
     * in which it is allowed and another that they see count as one.
     */
    public function maySomewhere(Right $right): bool
    {
        if ($this->may($right)) {
            return true;
        }
        $isNamed = $this->only === null || in_array($right, $this->only, true);

        return $isNamed && ! $right->isOfSite() && $this->isAllowedSomewhere($right) && $this->isAllowedSomewhere(Right::See);
    }

    private function isAllowedSomewhere(Right $right): bool
    {
        foreach ($this->deciding as $lines) {
            if (($lines[$right->value] ?? null)?->says === Says::Allow) {
                return true;
            }
        }

        return false;
    }

    /** @return array<string, bool> the branches of which it is said whether they see them */
    public function seenBranches(): array
    {
        $said = [];
        foreach ($this->isOwner ? [] : $this->deciding as $branch => $lines) {
            $line = $lines[Right::See->value] ?? null;
            if ($branch !== self::SITE && $line !== null) {
                $said[(string) $branch] = $line->says === Says::Allow;
            }
        }

        return $said;
    }

    /** Whether they may do it on the whole site, without an exception. */
    public function mayEverywhere(Right $right): bool
    {
        if ($this->isOwner()) {
            return true;
        }
        foreach ($this->deciding as $branch => $lines) {
            foreach ([$right, Right::See] as $each) {
                if ($branch !== self::SITE && ! $right->isOfSite() && ($lines[$each->value] ?? null)?->says === Says::Deny) {
                    return false;
                }
            }
        }

        return $this->may($right);
    }

    /** Whether they may do anything besides looking. */
    public function changesSomething(): bool
    {
        foreach (Right::cases() as $right) {
            if ($right !== Right::See && $this->maySomewhere($right)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> the branches of which something is said */
    public function branches(): array
    {
        return array_values(
            array_map(strval(...), array_filter(array_keys($this->deciding), static fn (string $branch): bool => $branch !== self::SITE)),
        );
    }

    /** @param  list<string>  $branches */
    private function said(Right $right, array $branches): Verdict
    {
        foreach ([...$branches, self::SITE] as $branch) {
            $line = $this->deciding[$branch][$right->value] ?? null;
            if ($line !== null) {
                return Verdict::by($line);
            }
        }

        return Verdict::nothingSaid();
    }

    private static function comesBefore(Line $line, Line $known): bool
    {
        return $line->who->isRole === $known->who->isRole ? $line->says === Says::Deny && $known->says === Says::Allow : ! $line->who->isRole;
    }
}
