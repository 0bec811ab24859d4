<?php

declare(strict_types=1);

namespace App\Desk;

use League\CommonMark\Environment\Environment;
use League\CommonMark\Extension\CommonMark\CommonMarkCoreExtension;
use League\CommonMark\Extension\Table\TableExtension;
use League\CommonMark\MarkdownConverter;

/** CommonMark with tables as HTML; what is HTML in it stays so. */
final readonly class MarkdownToHtml
{
    private MarkdownConverter $converter;

    public function __construct()
    {
        $environment = new Environment(['max_nesting_level' => 60]);
        $environment->addExtension(new CommonMarkCoreExtension());
        $environment->addExtension(new TableExtension());
        $this->converter = new MarkdownConverter($environment);
    }

    public function html(string $markdown): string
    {
        return $this->converter->convert($markdown)->getContent();
    }
}
