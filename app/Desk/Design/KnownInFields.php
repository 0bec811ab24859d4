<?php

declare(strict_types=1);

namespace App\Desk\Design;

use App\Models\File;
use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Content\Layout\FieldInput;
use Heronstem\Core\Content\Layout\FieldKind;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Content\Layout\LayoutField;
use Heronstem\Core\InputRefused;

/** Sees to it that fields name pages and files that are there, and pictures that are large enough. */
final class KnownInFields
{
    /**
     * @param  array<mixed>  $given  by field
     *
     * @throws InputRefused naming the field, in rows also row and column
     */
    public function guard(Layout $layout, array $given, Site $site, string $at): void
    {
        foreach ($given as $key => $value) {
            $field = $layout->field((string) $key);
            if ($field !== null && $field->kind !== FieldKind::Rows) {
                $this->guardValue($field, $value, $site, "$at.$key", '');
            } elseif ($field !== null && is_array($value)) {
                foreach ($value as $i => $row) {
                    foreach (is_array($row) ? $row : [] as $column => $cell) {
                        $of = $field->column((string) $column);
                        if ($of !== null) {
                            $this->guardValue($of, $cell, $site, "$at.$key.$i.$column", 'Row '.((int) $i + 1).", {$of->title}: ");
                        }
                    }
                }
            }
        }
    }

    private function guardValue(LayoutField $field, mixed $given, Site $site, string $at, string $where): void
    {
        $value = in_array($field->kind, [FieldKind::Page, FieldKind::File, FieldKind::Picture], true) ? FieldInput::read($field, $given, $at) : null;
        $named = is_array($value) ? $value[$field->kind === FieldKind::Page ? 'page' : 'file'] ?? null : null;
        if (! is_string($named)) {
            return;
        }
        if ($field->kind === FieldKind::Page) {
            if (! Page::query()->where('site_id', $site->id)->where('ulid', $named)->exists()) {
                throw new InputRefused($at, "{$where}There is no such page on this site.");
            }

            return;
        }
        $file = File::query()->where('site_id', $site->id)->where('ulid', $named)->first();
        if ($file === null) {
            throw new InputRefused($at, "{$where}There is no such file on this site. Upload it first.");
        }
        [$width, $height] = $field->leastSize();
        if ($field->kind === FieldKind::Picture && $file->width === null) {
            throw new InputRefused($at, "{$where}“{$file->name}” is no picture.");
        }
        if ($field->kind === FieldKind::Picture && ($file->width < $width || (int) $file->height < $height)) {
            throw new InputRefused(
                $at,
                "{$where}“{$file->name}” is {$file->width} × {$file->height} pixels; at least $width × $height are needed here.",
            );
        }
    }
}
