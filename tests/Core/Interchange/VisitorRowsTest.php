<?php

declare(strict_types=1);

namespace Tests\Core\Interchange;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\VisitorRows;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Visitors as a table: written and read again, with why a line is not taken. */
final class VisitorRowsTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function visitors_are_written_and_read_as_a_table(): void
    {
        $names = Generators::elements(['Ann', 'O’Brien, Pat', '“Quoted”', 'Zoë "Z" Ruiz']);
        $roles = Generators::elements([[], ['crew'], ['crew', 'islander']]);
        $this->limitTo(100)
            ->forAll(Generators::vector(3, Generators::tuple($names, $roles)))
            ->then(function (array $people): void {
                $text = "mail,name,roles\r\n";
                foreach ($people as $n => [$name, $roles]) {
                    $text .= VisitorRows::write("p$n@skerrivane.example", $name, $roles);
                }
                foreach (VisitorRows::read($text) as $n => $row) {
                    self::assertNull($row->fault);
                    self::assertSame(["p$n@skerrivane.example", $people[$n][0], $people[$n][1]], [$row->mail, $row->name, $row->roles]);
                }
            });
    }

    #[Test]
    public function each_line_of_a_table_of_visitors_that_cannot_be_taken_says_why(): void
    {
        $rows = VisitorRows::read(
            "Name,Roles,Mail\nAnn,crew,ann@a.example\nBen,,\n,crew,c@a.example\nDee,,no address\nEve,,ANN@a.example\nFay,\"a,b\",f@a.example\n",
        );

        self::assertSame(
            [null, 'There is not a mail address', 'There is no name', 'not a mail address', 'Line 2 has this mail address'],
            array_map(
                static fn ($row): ?string => $row->fault === null
                    ? null
                    : (preg_match(
                        '/There is not a mail address|There is no name|not a mail address|Line 2 has this mail address/',
                        $row->fault,
                        $found,
                    ) === 1
                        ? $found[0]
                        : $row->fault),
                array_slice($rows, 0, 5),
            ),
        );
        foreach (['', 'mail,name', "name\nAnn"] as $text) {
            try {
                VisitorRows::read($text);
                self::fail('This is no table of visitors.');
            } catch (InputRefused $refused) {
                self::assertSame('file', $refused->field);
            }
        }
    }
}
