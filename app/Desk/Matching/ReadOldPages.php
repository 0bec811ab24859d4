<?php

declare(strict_types=1);

namespace App\Desk\Matching;

use App\Desk\BringIn\GivenLines;
use App\Desk\BringIn\ReadSource;
use App\Desk\BringIn\SourceFiles;
use App\Models\SiteImport;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\OldAddresses;
use Heronstem\Core\Interchange\Pages\HtmlFiles;
use Heronstem\Core\Interchange\SavedPages;
use Heronstem\Core\Redirect\Matching\OldPage;

/** Old pages from whatever somebody has: a text, a file, saved pages in a ZIP file, or what was given to be imported. */
final readonly class ReadOldPages
{
    public function __construct(private GivenLines $lines)
    {
    }

    /**
     * @return array<string, OldPage> by address
     *
     * @throws InputRefused naming the field
     */
    public function file(string $path, string $name): array
    {
        $files = SourceFiles::open($path, $name);

        return $files->isFolder() ? $this->folder($files) : OldAddresses::read($files->text());
    }

    /**
     * Pages that were read for an import, of the living old site for instance.
     *
     * @return array<string, OldPage> by address
     *
     * @throws InputRefused naming the field
     */
    public function import(SiteImport $import): array
    {
        if (! in_array($import->state, ['ready', 'applied'], true)) {
            throw new InputRefused('import', 'This import has not been read yet. Wait until it is ready.');
        }
        $found = [];
        foreach ($this->lines->pages($import) as $page) {
            $address = $page->address ?? '';
            if ($address === '' || $page->isRefused()) {
                continue;
            }
            $title = $page->texts['searchTitle'] ?? ($page->name ?? '');
            $heading = $page->texts['heading'] ?? ($page->name ?? '');
            $canonical = $page->settings['canonical'] ?? null;
            $found[$address] = new OldPage(
                $address,
                $title,
                $heading === $title ? '' : $heading,
                is_string($canonical) && $canonical !== $address ? [$canonical] : [],
                $page->requests,
            );
            // Addresses that led to it are asked for as well.
            foreach ($page->former as $former) {
                $found[$former] ??= new OldPage($former, $title, $heading, [$address]);
            }
        }

        return OldAddresses::bounded($found);
    }

    /** @return array<string, OldPage> */
    private function folder(SourceFiles $files): array
    {
        $manifest = json_decode((string) $files->bytes(ReadSource::MANIFEST), true);
        if (array_filter($files->names(), HtmlFiles::isPage(...)) === []) {
            throw new InputRefused('file', 'There is no saved page in this ZIP file: no .html file.');
        }

        return SavedPages::read($files->each(HtmlFiles::isPage(...)), is_array($manifest) ? $manifest : []);
    }
}
