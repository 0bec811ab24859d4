<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

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
    ) {
    }

    /** The status that sends a visitor straight to the final answer: permanent if every hop is. Null where nothing is sent on. */
    public function sendsWith(): ?int
    {
        if ($this->hops === [] || $this->location === null) {
            return null;
        }
        foreach ($this->hops as $hop) {
            if ($hop->status !== 301) {
                return 302;
            }
        }

        return 301;
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
        ];
    }
}
