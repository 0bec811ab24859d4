<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

use Heronstem\Core\Content\HtmlWriter;

/** A question whose answer folds out: the HTML elements details and summary, which need no script. */
final readonly class Fold implements BlockKind
{
    public function type(): string
    {
        return 'fold';
    }

    public function fits(Room $room): bool
    {
        return $room !== Room::Cell;
    }

    public function read(ReadNode $node): array
    {
        return [
            'attrs' => ['open' => $node->attributes()->flag('open')],
            'content' => $node->pair(
                'foldQuestion',
                static fn (ReadNode $question): array => ['content' => $question->inline()],
                'foldAnswer',
                static fn (ReadNode $answer): array => ['content' => $answer->blocks(Room::Inside)],
                'An expandable question has a question and an answer.',
            ),
        ];
    }

    public function html(array $block, OwnAttributes $own, HtmlWriter $to): string
    {
        [$question, $answer] = [$to->inline($block['content'][0]['content']), $to->blocks($block['content'][1]['content'])];
        if ($question === '' || $answer === '') {
            // Half of it folds nothing: it stands there as it is.
            return $to->element('div', $own->with(), $to->element('p', '', $question).$answer);
        }

        return sprintf(
            '<details%s%s><summary>%s</summary>%s</details>',
            $own->with('fold'),
            $block['attrs']['open'] ? ' open' : '',
            $question,
            $answer,
        );
    }
}
