<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Change\Change;
use Heronstem\Core\Change\ChangeRedirect;
use Heronstem\Core\Change\DeleteForGood;
use Heronstem\Core\Change\SetSlug;
use Heronstem\Core\Decision\Decision;
use Heronstem\Core\Tree\Page;

/** One way out of a conflict: what to add to the batch so that it can be applied. */
final readonly class WayOut
{
    /**
     * @param  list<Change>  $changes  to be added to the batch
     * @param  list<Decision>  $decisions  likewise
     */
    private function __construct(public WayOutKind $kind, public array $changes, public array $decisions, public ?Slug $slug)
    {
    }

    public static function freeSlug(string $page, Slug $slug): self
    {
        return new self(WayOutKind::FreeSlug, [new SetSlug($page, $slug)], [], $slug);
    }

    public static function swap(Page $wanting, Slug $wanted, Page $holding): self
    {
        return new self(WayOutKind::Swap, [new SetSlug($wanting->id, $wanted), new SetSlug($holding->id, $wanting->slug)], [], $wanting->slug);
    }

    /** What holds the address lets it go. */
    public static function giveWay(WayOutKind $kind, Address $address): self
    {
        return new self($kind, [], [Decision::giveWay($address)], null);
    }

    /** @param  string  $root the page that was put in the bin and took the holder along */
    public static function deleteForGood(string $root, Address $address): self
    {
        return new self(WayOutKind::DeleteForGood, [new DeleteForGood($root)], [Decision::giveWay($address)], null);
    }

    public static function standInFront(string $rule): self
    {
        return new self(WayOutKind::StandInFront, [new ChangeRedirect($rule, ['inFront' => true])], [], null);
    }

    /** Whether it adds nothing to the batch: whoever asks chooses anew. */
    public function isChoice(): bool
    {
        return $this->changes === [] && $this->decisions === [];
    }

    public static function chooseAnother(): self
    {
        return new self(WayOutKind::ChooseAnother, [], [], null);
    }
}
