<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

use Heronstem\Core\PackedTexts;

/**
 * What was changed of very many pages, held as short texts. Most often it is the same of nearly all of them but for their addresses:
 * that is held once, and the addresses with the pages.
 */
final class PackedDifferences implements \Countable
{
    /** Changes that are held once each; beyond so many, they stand with their pages. */
    private const SHARED = 1000;

    /** Between the number of a shared change and the two addresses. */
    private const END = "\0";

    /** @var array<string, int> numbers of shared changes, by what they say */
    private array $numbers = [];

    /** @var list<array{array<string, scalar|null>|null, array<string, scalar|null>|null}> */
    private array $shared = [];

    private readonly PackedTexts $packed;

    /** @param  int  $mostShared  changes that are held once each */
    public function __construct(private readonly int $mostShared = self::SHARED)
    {
        $this->packed = new PackedTexts();
    }

    public function put(PageDifference $difference): void
    {
        if ($difference->before === null || $difference->after === null) {
            // All the fields of a page that comes or goes are of that page alone.
            $this->packed->put($difference->page, $difference->packed());

            return;
        }
        [$change, $before, $after] = $difference->apartFromAddresses();
        $text = serialize($change);
        $number = $this->numbers[$text] ?? null;
        if ($number === null && count($this->shared) < $this->mostShared) {
            $number = $this->numbers[$text] = count($this->shared);
            $this->shared[] = $change;
        }
        $this->packed->put($difference->page, $number === null ? $difference->packed() : $number.self::END.$before.self::END.$after);
    }

    /** A page whose difference is known otherwise: it keeps its place among the others. */
    public function putAside(string $page): void
    {
        $this->packed->put($page, '');
    }

    /** @return list<string> in the order in which they were put */
    public function ids(): array
    {
        return iterator_to_array($this->packed->keys(), false);
    }

    /** Null for one that was put aside. */
    public function find(string $page): ?PageDifference
    {
        $packed = $this->packed->find($page) ?? '';
        if ($packed === '' || ! ctype_digit($packed[0])) {
            return $packed === '' ? null : PageDifference::unpacked($page, $packed);
        }
        [$number, $before, $after] = explode(self::END, $packed, 3);

        return PageDifference::withAddresses($page, $this->shared[(int) $number], $before, $after);
    }

    public function count(): int
    {
        return count($this->packed);
    }
}
