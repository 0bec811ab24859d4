<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\NormalForm;

/** How an address is answered: every hop, then the final answer. */
final readonly class Resolution
{
    /**
     * @param  string  $asked  as it came
     * @param  string  $normal  its normal form
     * @param  list<Hop>  $hops
     * @param  int|null  $status  HTTP status of the final answer; null where it is given elsewhere
     * @param  string|null  $location  where the final answer is given, query included; null for none
     * @param  string|null  $page  identity of the page that answers
     * @param  string  $why  the final answer in words
     * @param  string|null  $rule  the rule that gives the final answer: gone, or a pause page
     * @param  Pause|null  $pause  the pause page that is the answer
     * @param  string|null  $onward  where the pause page leads
     * @param  bool  $isLoop  the way comes back to itself, or takes more steps than are followed
     */
    public function __construct(
        public string $asked,
        public string $normal,
        public array $hops,
        public ?int $status,
        public ?string $location,
        public ?string $page,
        public ?string $pageName,
        public string $why,
        public ?string $rule = null,
        public ?Pause $pause = null,
        public ?string $onward = null,
        public bool $isLoop = false,
    ) {
    }

    /**
     * The status that sends a visitor straight to the final answer: permanent if every hop is, and keeping the method of the
     * request (RFC 9110, 15.4.8 and 15.4.9) if every hop does. Null where nothing is sent on.
     */
    public function sendsWith(): ?int
    {
        if ($this->hops === [] || $this->location === null) {
            return null;
        }
        $statuses = array_map(static fn (Hop $hop): int => $hop->status, $this->hops);
        $isPermanent = array_diff($statuses, [301, 308]) === [];
        $keepsMethod = array_diff($statuses, [307, 308]) === [];

        return $isPermanent ? ($keepsMethod ? 308 : 301) : ($keepsMethod ? 307 : 302);
    }

    /** The page at the end, where everything that redirects to it is meant to last. */
    public function lastingPage(): ?string
    {
        $passing = array_filter($this->hops, static fn (Hop $hop): bool => ! in_array($hop->status, [301, 308], true));

        return $this->pause === null && $passing === [] ? $this->page : null;
    }

    /** Whether the first step leads from an address that a page had to where it is now: another spelling of where it is does not. */
    public function isMoved(AddressRules $rules): bool
    {
        return $this->hops !== [] &&
            $this->hops[0]->rule === null &&
            $this->hops[0]->status === 301 &&
            NormalForm::key($this->normal, $rules) !== NormalForm::key(substr($this->hops[0]->to, 0, strcspn($this->hops[0]->to, '?#')), $rules);
    }

    /** @return list<string> rules on the way, the one of the final answer last */
    public function rules(): array
    {
        return array_values(array_filter([...array_map(static fn (Hop $hop): ?string => $hop->rule, $this->hops), $this->rule]));
    }

    /** Whether visitors come back to a rule. */
    public function comesBackTo(Rule $rule): bool
    {
        return $this->isLoop && in_array($rule->id, $this->rules(), true);
    }

    /** @return list<Hop> the steps behind that of a rule */
    public function after(Rule $rule): array
    {
        $at = array_search($rule->id, array_map(static fn (Hop $hop): ?string => $hop->rule, $this->hops), true);

        return $at === false ? [] : array_slice($this->hops, (int) $at + 1);
    }

    /** The first step behind that of a rule which another redirect takes, or the former address of a page. */
    public function nextRedirect(Rule $rule): ?Hop
    {
        return array_values(array_filter($this->after($rule), static fn (Hop $hop): bool => $hop->rule !== null || $hop->status === 301))[0] ?? null;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'asked' => $this->asked,
            'normal' => $this->normal,
            'hops' => array_map(static fn (Hop $hop): array => get_object_vars($hop), $this->hops),
            'status' => $this->status,
            'location' => $this->location,
            'page' => $this->page === null ? null : ['id' => $this->page, 'name' => $this->pageName],
            'why' => $this->why,
            'sends' => $this->sendsWith(),
            'rule' => $this->rule,
            'pause' => $this->pause === null ? null : ['seconds' => $this->pause->seconds, 'onward' => $this->onward],
            'loop' => $this->isLoop,
        ];
    }
}
