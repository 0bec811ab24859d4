<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Decision\Note;
use Heronstem\Core\Decision\Question;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Series;

/** What becomes of the ledger, and what stands in the way. */
final readonly class ClaimPlan
{
    /**
     * @param  Series<ClaimDifference>  $differences  ordered by address
     * @param  Series<ClaimDifference>  $single  those of them that do not just follow from pages being carried along
     * @param  list<AddressClash>  $clashes  addresses that are wanted and held by somebody else
     * @param  list<Question>  $questions
     * @param  list<Note>  $notes
     * @param  list<string>  $unremovable  pages that were to be unmade, though visitors know addresses that lead to them
     */
    public function __construct(
        private ClaimsInQuestion $question,
        public Series $differences,
        public Series $single,
        public array $clashes,
        public array $questions,
        public array $notes,
        public array $unremovable,
    ) {
    }

    /** What holds an address once the batch is applied. */
    public function claimAt(Address $address): ?Claim
    {
        $claims = $this->question->claims;

        return $claims->isPlanned($address->key) || $claims->isAsked($address->key)
            ? $claims->planned($address->key)
            : $claims->now($address->key) ?? ($this->question->workspace->ledger->claimsOn([$address])[$address->key] ?? null);
    }

    /** What becomes of an address; null where it stays as it is. */
    public function differenceAt(Address $address): ?ClaimDifference
    {
        return $this->question->claims->difference($address->key);
    }

    public function isWanted(Address $address): bool
    {
        return $this->question->claims->isPlanned($address->key);
    }

    /** A page's own address as the batch leaves it. */
    public function addressOf(string $page): Address
    {
        return ($this->question->outcome->find($page) ?? $this->question->workspace->pages->known($page))->address;
    }
}
