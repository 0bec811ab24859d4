<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Visitors\PageAccess;
use Heronstem\Core\Visitors\PagePassword;
use Heronstem\Core\Workspace\Workspace;

/** Says which visitors see a page and the pages below it that say nothing themselves; or nothing any more, so that it is as above. */
final readonly class SetAccess implements HoldsSecret, RequestedChange
{
    use HasShape, NamesItsPage;

    /** Each has a key of its own, and working one out is made to take long (RFC 9106). */
    private const MOST_WITH_PASSWORD = 20;

    /** @param  array<mixed>|null  $access  as PageAccess reads it; null to say nothing */
    public function __construct(public string $page, private ?array $access, private string $zone)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of(
            'set-access',
            Subject::Pages,
            Field::map(
                'access',
                'to: everyone, some or nobody; of some: signedIn, roles, password (true keeps the one that is set), networks (CIDR), all (every way has to fit); others: sign-in, password, refused or missing; from and until. Null says nothing, so that it is as above.',
            )->orNull(),
        );
    }

    public static function read(ChangeInput $input): self
    {
        $access = $input->raw('access');
        if ($access !== null && ! is_array($access)) {
            throw new InputRefused('access', 'This is an object, or null to say nothing.');
        }
        $pages = $input->raw('pages');
        if (is_string($access['password'] ?? null) && is_array($pages) && count($pages) > self::MOST_WITH_PASSWORD) {
            throw new InputRefused(
                'access.password',
                sprintf(
                    'A password is set on at most %d pages at once. Set it on a page above them: what is below follows it.',
                    self::MOST_WITH_PASSWORD,
                ),
            );
        }
        $change = new self($input->page(), $access, $input->zone);
        // What can be refused without the page is refused now, so that several pages are not tried one after the other.
        if ($access !== null && ($access['password'] ?? null) !== true) {
            $change->accessAfter(null);
        }

        return $change;
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        $changed = $page->with(['access' => $this->accessAfter($page->access)]);
        if (PageDifference::between($page, $changed) === null) {
            throw new NothingToChange('page', "Who sees “{$page->name}” is set like this already.");
        }
        $workspace->pages->put($changed);
    }

    public function sentence(Outcome $outcome): string
    {
        $page = $outcome->page($this->page);
        $to = $this->access['to'] ?? null;

        return match ($to) {
            null => "Let {$page} be seen as what is above it",
            PageAccess::EVERYONE => "Opened {$page} to everyone",
            PageAccess::NOBODY => "Closed {$page} to all visitors",
            default => "Closed {$page} to all but some visitors",
        };
    }

    public function toArray(): array
    {
        return self::sealed(['kind' => 'set-access', 'page' => $this->page, 'access' => $this->access], [$this->page]);
    }

    /** The password itself is kept nowhere: only its keys, one of each page. */
    public static function sealed(array $written, array $pages): array
    {
        $typed = is_array($written['access'] ?? null) ? $written['access']['password'] ?? null : null;
        if (is_string($typed) && $typed !== '') {
            $written['access']['password'] = [
                'keys' => array_combine($pages, array_map(static fn (string $page): string => PagePassword::set($typed, $page)->kept, $pages)),
            ];
        }

        return $written;
    }

    private function accessAfter(?PageAccess $before): ?PageAccess
    {
        try {
            return $this->access === null ? null : PageAccess::read($this->access, $this->page, $this->zone, $before);
        } catch (InputRefused $refused) {
            throw $refused->within('access');
        }
    }
}
