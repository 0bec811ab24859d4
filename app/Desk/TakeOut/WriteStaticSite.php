<?php

declare(strict_types=1);

namespace App\Desk\TakeOut;

use App\Desk\ExportRedirects;
use App\Desk\RedirectFormat;
use App\Models\Page;
use App\Models\Site;
use App\Store\ExportedPages;
use Heronstem\Core\Tree\Page as TreePage;

/**
 * What visitors see of a site as a folder of HTML files, with all that its pages show, and the redirects as files for web servers
 * beside it. Links are relative, so that it works from a disk and below any address. What visitors do not see is left out and told.
 */
final readonly class WriteStaticSite
{
    /** Pages that are left out and told by name. */
    private const TOLD = 1000;

    public function __construct(private ExportedPages $pages, private AsksSite $asks, private ExportRedirects $redirects)
    {
    }

    /** @return iterable<string> pieces of a ZIP file */
    public function pieces(Site $site, ?Page $branch): iterable
    {
        return ZipStream::of($this->files($site, $branch));
    }

    /** @return iterable<string, string> bytes by path */
    public function files(Site $site, ?Page $branch): iterable
    {
        $paths = new StaticPaths($site->origin);
        $live = $left = [];
        $count = 0;
        foreach ($this->pages->all($site, $branch) as [$page]) {
            if ($page->isLive()) {
                $live[$page->address->path] = $paths->add($page->address->path);
            } else {
                $left = $this->told($left, $page, "it is not live ({$page->state->value})", $count);
            }
        }
        foreach ($live as $address => $file) {
            $answer = $this->asks->ask($site, (string) $address);
            if ($answer->isPrivate || str_starts_with((string) $answer->location, '/_account')) {
                $left[] = "$address: it is closed to visitors, or to some";
                $count++;
            } elseif ($answer->location !== null) {
                yield $file => self::leads($paths->to($answer->location, $file));
            } elseif ($answer->status !== 200) {
                $left[] = "$address: visitors do not see it";
                $count++;
            } else {
                yield $file => $answer->isHtml() ? $paths->localized($answer->body, $file) : $answer->body;
            }
        }
        yield from $this->assets($site, $paths);
        if ($branch === null) {
            foreach (['robots.txt', 'sitemap.xml'] as $name) {
                $answer = $this->asks->ask($site, "/$name");
                if ($answer->status === 200) {
                    yield $name => $answer->body;
                }
            }
        }
        foreach (
            [RedirectFormat::NginxMaps, RedirectFormat::NginxServer, RedirectFormat::ApacheMap, RedirectFormat::ApacheRules, RedirectFormat::Csv] as $format
        ) {
            yield '_redirects/'.$format->fileName($site->key) => implode('', [...$this->redirects->pieces($site, $format)]);
        }
        yield '_left-out.txt' => $count === 0
            ? "Nothing: every page of it is here.\n"
            : "$count pages are left out:\n\n".
                implode("\n", array_slice($left, 0, self::TOLD)).
                "\n".
                ($count > self::TOLD ? "and others.\n" : '');
    }

    /**
     * @param  list<string>  $left
     * @return list<string>
     */
    private function told(array $left, TreePage $page, string $why, int &$count): array
    {
        $count++;

        return count($left) < self::TOLD ? [...$left, "{$page->address->path} ({$page->name}): $why"] : $left;
    }

    /** @return iterable<string, string> */
    private function assets(Site $site, StaticPaths $paths): iterable
    {
        $done = [];
        // Styles name further files.
        while (($todo = array_diff_key($paths->assets, $done)) !== []) {
            foreach ($todo as $address => $file) {
                $done[$address] = true;
                $own = public_path(ltrim((string) strtok((string) $address, '?'), '/'));
                $body = str_starts_with((string) $address, '/_site/')
                    ? (is_file($own)
                        ? (string) file_get_contents($own)
                        : null)
                    : $this->body($site, (string) $address);
                if ($body !== null) {
                    yield $file => str_ends_with($file, '.css') ? $paths->localizedStyles($body, $file) : $body;
                }
            }
        }
    }

    private function body(Site $site, string $address): ?string
    {
        $answer = $this->asks->ask($site, $address);

        return $answer->status === 200 ? $answer->body : null;
    }

    /** A page that only leads on: a file cannot answer with a redirect, so it says where to. */
    private static function leads(string $to): string
    {
        $href = htmlspecialchars($to, ENT_QUOTES | ENT_HTML5);

        return "<!DOCTYPE html>\n<html lang=\"en\">\n<head>\n<meta charset=\"utf-8\">\n<title>This page is elsewhere</title>\n<meta name=\"robots\" content=\"noindex\">\n<meta http-equiv=\"refresh\" content=\"0; url=$href\">\n</head>\n<body>\n<p><a href=\"$href\">Go on to the page</a></p>\n</body>\n</html>\n";
    }
}
