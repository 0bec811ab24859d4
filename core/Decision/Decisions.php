<?php

declare(strict_types=1);

namespace Heronstem\Core\Decision;

/** What has been decided for a batch. */
final readonly class Decisions
{
    /** @param  list<Decision>  $made */
    private function __construct(public array $made, public WhenUnanswered $undecided)
    {
    }

    /** What is not decided stays open. */
    public static function of(Decision ...$made): self
    {
        return new self(array_values($made), WhenUnanswered::StaysOpen);
    }

    /** What is not decided takes its default. */
    public static function elseDefaults(Decision ...$made): self
    {
        return new self(array_values($made), WhenUnanswered::TakesDefault);
    }

    public function and(Decision ...$made): self
    {
        return new self([...$this->made, ...array_values($made)], $this->undecided);
    }

    public function givesWay(string $key): bool
    {
        foreach ($this->made as $decision) {
            if ($decision->givesWay?->key === $key) {
                return true;
            }
        }

        return false;
    }

    /** The last word on it, the default where that is taken; null while it is open. */
    public function on(QuestionKind $kind, string $page, Answer $default): ?Decision
    {
        $found = $this->undecided === WhenUnanswered::TakesDefault ? Decision::answer($kind, $page, $default) : null;
        foreach ($this->made as $decision) {
            if ($decision->kind === $kind && $decision->page === $page) {
                $found = $decision;
            }
        }

        return $found;
    }
}
