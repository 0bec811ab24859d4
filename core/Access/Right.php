<?php

declare(strict_types=1);

namespace Heronstem\Core\Access;

use Heronstem\Core\InputRefused;

/** What somebody who works on a site may be allowed to do. The list is closed: every effect of every change needs one or more of these. */
enum Right: string
{
    /** Finds pages in the editor and looks at them. Where somebody may not see they may do nothing else. */
    case See = 'see';
    /** Headings, summaries, content and search texts of pages, tags, small pictures; what visitors get changes only by publishing. */
    case Write = 'write';
    /** Makes, names and moves pages, and their kind and listing; discards drafts. */
    case Structure = 'structure';
    /** Puts pages and content live; together with another right, whatever visitors notice at once. */
    case Publish = 'publish';
    /** Takes pages offline, into the bin and back, and deletes them for good. */
    case Retire = 'retire';
    /** Menus and picks. */
    case Menus = 'menus';
    /** Addresses that visitors know or are to know: of live pages, pinned and further ones, redirects. */
    case Addresses = 'addresses';
    /** Indexing, canonical addresses, patterns of titles, robots.txt, dismissed findings. */
    case Search = 'search';
    /** Layouts of pages, and their fields. */
    case Fields = 'fields';
    /** Replaces, renames and removes files, and changes shared pieces. */
    case Files = 'files';
    /** Styles and head code of pages and of the site. */
    case Code = 'code';
    /** Which visitors see pages, who these visitors are, and moves by which a page that visitors know is opened or closed. */
    case Access = 'access';
    /** Who works on the site, their roles, and what these may do. */
    case People = 'people';
    /** Names of the site, start pages, starting points, outside services, the history's length. */
    case Settings = 'settings';

    /** @throws InputRefused naming the field */
    public static function read(mixed $given, string $field): self
    {
        return (is_string($given) ? self::tryFrom($given) : null) ??
            throw new InputRefused($field, 'A right is one of '.implode(', ', array_column(self::cases(), 'value')).'.');
    }

    /** Whether it is held for a whole site only: what it lets do belongs to no branch. */
    public function isOfSite(): bool
    {
        return match ($this) {
            self::Menus, self::Files, self::People, self::Settings => true,
            default => false,
        };
    }

    /** As the grid heads its column, and as sentences name it. */
    public function label(): string
    {
        return match ($this) {
            self::Structure => 'make and move',
            self::Search => 'search settings',
            self::Fields => 'layout fields',
            default => $this->value,
        };
    }
}
