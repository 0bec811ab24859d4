<?php

declare(strict_types=1);

use Bench\Measure;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\HtmlRenderer;
use Tests\Core\Content\StillSources;

// The content of a page of 200 blocks as HTML, against a Blade template that writes the same from the same blocks.
$app = require __DIR__.'/boot.inc';
require __DIR__.'/Measure.inc';
$text = static fn (string $said, string ...$marks): array => ['type' => 'text', 'text' => $said] +
    ($marks === [] ? [] : ['marks' => array_map(static fn (string $type): array => ['type' => $type], $marks)]);
$words = 'The first boat leaves Port Hallin at 6.40 & the last one returns at 22.15 on Fridays, when the "Curlew" sails.';
$line = static fn (int $i): array => [$text("$words $i "), $text('Bring a coat', 'bold'), $text(', says '), $text('Mairi', 'italic'), $text('.')];
$blocks = [];
for ($i = 0; $i < 200; $i++) {
    $blocks[] = match ($i % 5) {
        0 => ['type' => 'heading', 'attrs' => ['level' => 2 + $i % 3], 'content' => [$text("Sailings in week $i")]],
        1, 2 => ['type' => 'paragraph', 'content' => $line($i)],
        3 => ['type' => 'bulletList', 'content' => array_map(static fn (): array => ['type' => 'listItem', 'content' => [['type' => 'paragraph', 'content' => $line($i)]]], range(1, 4))],
        default => ['type' => 'callout', 'attrs' => ['tone' => 'tip'], 'content' => [['type' => 'paragraph', 'content' => $line($i)]]],
    };
}
$document = Document::read(['type' => 'doc', 'content' => $blocks]);
$renderer = new HtmlRenderer(StillSources::make());
$folder = sys_get_temp_dir().'/heronstem-bench-'.getmypid();
mkdir($folder);
$inline = '@foreach ($PIECES as $piece)@if (($piece["marks"][0]["type"] ?? "") === "bold")<strong>{{ $piece["text"] }}</strong>'.
    '@elseif (($piece["marks"][0]["type"] ?? "") === "italic")<em>{{ $piece["text"] }}</em>@else{{ $piece["text"] }}@endif @endforeach';
$of = static fn (string $pieces): string => str_replace('$PIECES', $pieces, $inline);
file_put_contents("$folder/page.blade.php", str_replace("\n", ' ',
    <<<BLADE
    @foreach (\$blocks as \$block)
    @if (\$block["type"] === "heading")<h{{ \$block["attrs"]["level"] }} id="{{ Illuminate\\Support\\Str::slug(\$block["content"][0]["text"]) }}">{$of('$block["content"]')}</h{{ \$block["attrs"]["level"] }}>
     @elseif (\$block["type"] === "paragraph")<p>{$of('$block["content"]')}</p>
     @elseif (\$block["type"] === "bulletList")<ul>@foreach (\$block["content"] as \$item)<li>{$of('$item["content"][0]["content"]')}</li>@endforeach</ul>
     @else<div class="callout callout-{{ \$block["attrs"]["tone"] }}" role="note"><p>{$of('$block["content"][0]["content"]')}</p></div>
    @endif
    @endforeach
    BLADE));
$blade = static fn (): string => view()->file("$folder/page.blade.php", ['blocks' => $document->blocks])->render();
$ours = static fn (): string => $renderer->render($document);
$plain = static fn (string $html): string => (string) preg_replace('/\s+/', '', str_replace(['&#039;', '&apos;'], "'", $html));
if ($plain($blade()) !== $plain($ours())) {
    fwrite(STDERR, "The two do not write the same.\n".substr($plain($blade()), 0, 600)."\n".substr($plain($ours()), 0, 600)."\n");
    exit(1);
}
Measure::compare('200 blocks / Blade', $ours, $blade, 20);
unlink("$folder/page.blade.php");
rmdir($folder);
