<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Heronstem\Core\Tree\Page;

/** Pages as an OPML 2.0 outline, one element after the other. */
final class OutlineWriter
{
    /**
     * @param  iterable<Page>  $pages  in the order of the tree
     * @param  string  $origin  scheme and host of the site
     * @return iterable<string>
     */
    public static function pieces(string $title, iterable $pages, string $origin): iterable
    {
        yield "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<opml version=\"2.0\">\n<head><title>".
            self::escaped($title).
            "</title></head>\n<body>\n";
        /** @var list<string> $open pages whose element is open */
        $open = [];
        $before = null;
        foreach ($pages as $page) {
            if ($before !== null) {
                yield $page->parent === $before->id ? ">\n" : "/>\n";
                if ($page->parent === $before->id) {
                    $open[] = $before->id;
                }
                while ($open !== [] && $open[count($open) - 1] !== $page->parent) {
                    array_pop($open);
                    yield str_repeat('  ', count($open))."</outline>\n";
                }
            }
            $description = $page->working()->searchDescription;
            yield str_repeat('  ', count($open)).
                '<outline text="'.
                self::escaped($page->name).
                '" type="link" url="'.
                self::escaped($origin.$page->address->path).
                '" slug="'.
                self::escaped($page->slug->text).
                '" state="'.
                $page->state->value.
                '"'.
                ($description === '' ? '' : ' description="'.self::escaped($description).'"');
            $before = $page;
        }
        yield $before === null ? '' : "/>\n";
        while ($open !== []) {
            array_pop($open);
            yield str_repeat('  ', count($open))."</outline>\n";
        }
        yield "</body>\n</opml>\n";
    }

    private static function escaped(string $text): string
    {
        // What XML 1.0 cannot hold is dropped (2.2).
        return htmlspecialchars(
            (string) preg_replace('/[^\x09\x0A\x0D\x20-\x{D7FF}\x{E000}-\x{FFFD}\x{10000}-\x{10FFFF}]/u', '', $text),
            ENT_QUOTES | ENT_XML1,
            'UTF-8',
        );
    }
}
