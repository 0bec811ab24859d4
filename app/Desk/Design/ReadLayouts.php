<?php

declare(strict_types=1);

namespace App\Desk\Design;

use App\Desk\Cache\NodeMemory;
use Heronstem\Core\Content\Layout\FaultyLayout;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Content\Layout\LayoutReader;
use Heronstem\Core\Content\Layout\Layouts;
use Illuminate\View\Compilers\BladeCompiler;

/** The layouts of the design: each folder with a description of its fields and a template is one. */
final class ReadLayouts
{
    /** The layout whose template shows pages of layouts that cannot be used. */
    public const PLAIN = 'page';

    /** @var array<string, Layout|FaultyLayout> by folder */
    private array $read = [];

    /** @var list<string>|null */
    private ?array $folders = null;

    public function __construct(private readonly BladeCompiler $blade, private readonly NodeMemory $memory)
    {
    }

    /** Those that can be used, the plain one first. */
    public function all(): Layouts
    {
        return new Layouts(
            array_values(array_filter(array_map($this->read(...), $this->folders()), static fn ($each): bool => $each instanceof Layout)),
        );
    }

    /** The layout itself, or one without fields. */
    public function of(string $key): Layout
    {
        $read = $this->read($key);

        return $read instanceof Layout ? $read : new Layout($key, $key, '');
    }

    /** The template that shows a page of the layout. */
    public function view(string $key): string
    {
        return 'layout::'.($this->read($key) instanceof Layout ? $key : self::PLAIN).'.page';
    }

    /** @return list<FaultyLayout> by folder and place: what keeps folders from being layouts, with templates that are no PHP */
    public function faults(): array
    {
        $faults = [];
        foreach ($this->folders() as $folder) {
            $read = $this->read($folder);
            $fault = $read instanceof FaultyLayout ? $read : $this->groupsFault($read) ?? $this->templateFault($folder);
            if ($fault !== null) {
                $faults[] = $fault;
            }
        }

        return $faults;
    }

    private function read(string $folder): Layout|FaultyLayout
    {
        return $this->read[$folder] ??= $this->readFolder($folder);
    }

    private function readFolder(string $folder): Layout|FaultyLayout
    {
        foreach (['fields.json', 'page.blade.php'] as $needed) {
            if (! in_array($folder, $this->folders(), true) || ! is_file(self::in($folder, $needed))) {
                return new FaultyLayout("$folder/$needed", 'This file is missing.');
            }
        }
        try {
            $fields = self::in($folder, 'fields.json');

            return $this->memory->of('layout', [$fields], static fn (): Layout => LayoutReader::read($folder, (string) file_get_contents($fields)));
        } catch (FaultyLayout $fault) {
            return new FaultyLayout("$folder/fields.json".($fault->where === '' ? '' : ", {$fault->where}"), $fault->reason);
        }
    }

    /** Where a layout takes fields from groups that cannot give any. */
    private function groupsFault(Layout $layout): ?FaultyLayout
    {
        return $layout->fieldsFrom === null || $this->of($layout->fieldsFrom)->definition() !== null
            ? null
            : new FaultyLayout("{$layout->key}/fields.json, fieldsFrom", "There is no layout “{$layout->fieldsFrom}” with rows that define fields.");
    }

    private function templateFault(string $folder): ?FaultyLayout
    {
        try {
            token_get_all($this->blade->compileString((string) file_get_contents(self::in($folder, 'page.blade.php'))), TOKEN_PARSE);
        } catch (\ParseError|\InvalidArgumentException $wrong) {
            return new FaultyLayout("$folder/page.blade.php", "Line {$wrong->getLine()}: {$wrong->getMessage()}.");
        }

        return null;
    }

    private static function in(string $folder, string $file): string
    {
        return config('heronstem.design')."/layouts/$folder/$file";
    }

    /** @return list<string> the plain one first, then by name */
    private function folders(): array
    {
        return $this->folders ??= [
            self::PLAIN,
            ...array_values(array_diff(array_map(basename(...), glob(config('heronstem.design').'/layouts/*', GLOB_ONLYDIR) ?: []), [self::PLAIN])),
        ];
    }
}
