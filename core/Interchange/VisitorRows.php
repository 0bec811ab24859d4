<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange;

use Heronstem\Core\Access\MailAddress;
use Heronstem\Core\Access\PersonName;
use Heronstem\Core\InputRefused;
use Heronstem\Core\OneLine;
use Heronstem\Core\Visitors\VisitorRoles;

/** Visitors as a table (CSV by RFC 4180): mail address, name, and roles with semicolons between. */
final class VisitorRows
{
    /** In the order in which they are written. */
    public const COLUMNS = ['mail', 'name', 'roles'];

    public const MAX_ROWS = 5000;

    /**
     * @param  string  $text  of the whole file
     * @return list<VisitorRow>
     *
     * @throws InputRefused naming the field `file`
     */
    public static function read(string $text): array
    {
        $rows = [];
        $seen = [];
        foreach (Table::rows($text) as $line => $fields) {
            if ($rows === [] && ! isset($fields['mail']) && ! isset($fields['refused'])) {
                throw new InputRefused(
                    'file',
                    'The first line names the columns: mail, name and roles. Mail and name have to be there.',
                    'mail,name,roles',
                );
            }
            if (count($rows) >= self::MAX_ROWS) {
                throw new InputRefused('file', sprintf('A table of visitors has at most %d lines. Import them in parts.', self::MAX_ROWS));
            }
            $row = self::row($line, $fields);
            if ($row->fault === null && isset($seen[$row->mail])) {
                $row = new VisitorRow($line, $row->mail, $row->name, $row->roles, "Line {$seen[$row->mail]} has this mail address already.");
            }
            $seen[$row->mail] ??= $line;
            $rows[] = $row;
        }
        if ($rows === []) {
            throw new InputRefused('file', 'There are no lines below the heads. The columns are mail, name and roles.');
        }

        return $rows;
    }

    /** @param  list<string>  $roles */
    public static function write(string $mail, string $name, array $roles): string
    {
        return Table::csv([$mail, $name, implode('; ', $roles)]);
    }

    /** @param  array<string, string>  $fields */
    private static function row(int $line, array $fields): VisitorRow
    {
        $mail = mb_strtolower(trim($fields['mail'] ?? ''));
        $name = OneLine::typed($fields['title'] ?? '');
        $fault = match (true) {
            isset($fields['refused']) => $fields['refused'],
            $mail === '' => 'There is not a mail address. The column is called mail.',
            MailAddress::of($mail) === null => "“{$mail}” is not a mail address.",
            $name === '' => 'There is no name.',
            mb_strlen($name) > PersonName::MAX_LENGTH => sprintf('The name has more than %d characters.', PersonName::MAX_LENGTH),
            default => null,
        };
        try {
            $typed = array_map(trim(...), explode(';', $fields['roles'] ?? ''));
            $roles = VisitorRoles::read(array_values(array_filter($typed, static fn (string $role): bool => $role !== '')), 'roles');
        } catch (InputRefused $refused) {
            return new VisitorRow($line, $mail, $name, [], $fault ?? $refused->reason);
        }

        return new VisitorRow($line, $mail, $name, $roles, $fault);
    }
}
