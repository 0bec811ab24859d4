<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use Heronstem\Core\OneLine;

/** Heading and summary as they were typed on the page, with what stood there when that was begun. */
final readonly class TypedTexts
{
    /**
     * @param  array{heading: string, summary: string}  $before
     * @param  array{heading: string, summary: string}  $typed
     */
    public function __construct(private array $before, private array $typed)
    {
    }

    public function beganWith(Page $page): bool
    {
        return self::of($page) === self::folded($this->before);
    }

    /** @return array<string, string> by the names of PageTexts; what was left as it was is not among them */
    public function changed(): array
    {
        return array_diff_assoc(self::folded($this->typed), self::folded($this->before));
    }

    /** @return array{heading: string, summary: string} as they are being worked on; the name stands for a heading that follows it */
    public static function of(Page $page): array
    {
        $texts = $page->workingTexts();

        return ['heading' => $texts->heading ?? $page->name, 'summary' => $texts->summary];
    }

    /**
     * @param  array{heading: string, summary: string}  $texts
     * @return array{heading: string, summary: string}
     */
    private static function folded(array $texts): array
    {
        return array_map(OneLine::of(...), $texts);
    }
}
