<?php

declare(strict_types=1);

namespace Tests\Core\Change;

use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Change\Change;
use Heronstem\Core\Change\ChangeKinds;
use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\Change\Make;
use Heronstem\Core\Change\Shape;
use Heronstem\Core\Decision\Decision;
use Heronstem\Core\Decision\DecisionReader;
use Heronstem\Core\Identity;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Place;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;

/** Steps of a plan and large changes are kept as the API writes them: every change, read again, is the one that was asked for. */
final class KeptChangesTest extends TestCase
{
    private const P = '01JZZZZZZZZZZZZZZZZZZZZZZ1';

    private const Q = '01JZZZZZZZZZZZZZZZZZZZZZZ2';

    private const PARAGRAPH = '{"type":"paragraph","content":[{"type":"text","text":"Ten crowns","marks":[{"type":"bold"}]}]}';

    /** Every kind, with what it may be given besides. */
    private const BODIES = [
        'add-address {"page":"P","address":"/poster","answer":"send-on"}',
        'add-address {"page":"P","address":"/poster","answer":"serve"}',
        'add-to-menu {"page":"P","menu":"Q"}',
        'answer-search {"words":"cars","page":"P"}',
        'answer-search {"words":"cars","page":null,"text":"Book cars by telephone."}',
        'arrange-menu {"menu":"Q","entries":[]}',
        'arrange-menu {"menu":"Q","basedOn":"7","entries":[{"id":"P","kind":"heading","label":"Above","entries":[{"kind":"page","page":"Q","label":"Own"}]},{"kind":"branch","page":"P","depth":2,"order":"a-z","leaveOut":["Q"]},{"kind":"separator"},{"kind":"url","url":"https://a.example/","label":"Out","newWindow":true,"title":"T"},{"kind":"address","address":"/x","label":"X","audience":"roles:islander","from":"2027-01-01T00:00:00Z","until":"2027-02-01T00:00:00Z"},{"kind":"page","page":"P","closed":"locked","text":"A card","picture":"Q"}]}',
        'bring-back {"page":"P"}',
        'bring-back {"page":"P","place":{"last":"Q"},"state":"offline"}',
        'bring-in {"import":"P"}',
        'change-kind {"page":"P","to":"section"}',
        'change-kind {"page":"P","to":"pointer","leadsTo":{"url":"https://a.example/"}}',
        'change-redirect {"redirect":"P","note":"N","isOn":false,"leadsTo":{"address":"/x"},"from":"2027-01-01T00:00:00Z","until":null}',
        'change-redirect {"redirect":"P","scope":"branch","source":"/old","answer":"pause","query":"drop","carriesRest":false,"inFront":true,"pause":{"seconds":9,"message":{"type":"doc","content":[]}}}',
        'delete-for-good {"page":"P"}',
        'delete-for-good {"pages":["P","Q"]}',
        'describe {"page":"P","heading":"H","summary":"S","searchTitle":"T","searchDescription":"D"}',
        'describe {"page":"P","layout":"section","fields":{"length":"24"},"reload":5,"picture":null,"caching":"off"}',
        'describe {"page":"P","socialTitle":"","socialDescription":"D"}',
        'duplicate {"page":"P","copy":"Q"}',
        'duplicate {"page":"P","copy":"Q","scope":"branch","place":{"before":"P"},"name":"Another"}',
        'duplicate {"pages":["P","Q"],"copy":"Q"}',
        'go-live {"page":"P"}',
        'go-live {"pages":["P","Q"],"scope":"branch"}',
        'include-in-addresses {"page":"P"}',
        'leave-out-of-addresses {"page":"P"}',
        'list-page {"page":"P"}',
        'make {"page":"P","name":"Night boat","place":{"last":null}}',
        'make {"page":"P","name":"Night boat","place":{"after":"Q"},"slug":"night-boat","wanted":"Night boat"}',
        'make-from {"page":"P","from":"Q","place":{"last":null},"name":"Farra","slug":"farra","words":{"boat":"Solan"}}',
        'make-menu {"menu":"P","name":"Campaign","of":"picks"}',
        'make-redirect {"redirect":"P","source":"/old","leadsTo":{"page":"Q"}}',
        'make-redirect {"redirect":"P","source":"/old/:year","scope":"pattern","leadsTo":{"address":"/new/:year"},"query":"drop","carriesRest":false,"inFront":true,"isOn":false,"note":"N","from":"2027-01-01T06:00","until":"2027-02-01T06:00:00Z"}',
        'make-redirect {"redirect":"P","source":"/old","answer":"410"}',
        'make-redirect {"redirect":"P","source":"/old","answer":"pause","leadsTo":{"url":"https://a.example/"},"pause":{"seconds":9,"message":{"type":"doc","content":[]}}}',
        'make-role {"role":"P","name":"Guides","like":"writer"}',
        'mend-links {}',
        'mend-links {"in":["P"]}',
        'move {"page":"P","place":{"first":"Q"}}',
        'move {"pages":["P","Q"],"place":{"last":null}}',
        'order-patterns {"redirects":["P","Q"]}',
        'pin {"page":"P","address":"/fares"}',
        'place-menu {"menu":"P","place":"footer"}',
        'place-menu {"menu":"P","place":null}',
        'protect {"page":"P"}',
        'publish {"page":"P"}',
        'put-in-bin {"page":"P"}',
        'remove-address {"page":"P","address":"/poster"}',
        'remove-from-menu {"page":"P","menu":"Q"}',
        'remove-menu {"menu":"P"}',
        'remove-redirect {"redirect":"P"}',
        'remove-redirect {"redirect":"P","gone":true}',
        'remove-role {"role":"guides"}',
        'rename {"page":"P","name":"Fares"}',
        'rename {"page":"P","name":"Fares","name":"Fares"}',
        'rename-menu {"menu":"P","name":"M"}',
        'rename-role {"role":"writer","name":"Writers"}',
        'rename-tag {"tag":"ferry","to":"boats"}',
        'rename-tag {"tag":"ferry","to":null}',
        'replace-text {"find":".+","with":"Other","way":"pattern","parts":["names","content"],"in":["P"],"matchCase":true,"branch":"Q","skip":["k"]}',
        'return-to-writer {"page":"P","note":"Once more"}',
        'schedule {"page":"P","from":"2027-01-01T06:00","until":"2027-02-01T06:00:00Z"}',
        'schedule {"page":"P","from":null,"until":null}',
        'send-for-review {"page":"P","note":""}',
        'set-access {"page":"P","access":null}',
        'set-access {"page":"P","access":{"to":"some","signedIn":true,"networks":["192.0.2.0/24"],"from":"2027-01-01T00:00:00Z"}}',
        'set-access {"page":"P","access":{"to":"some","password":"over the sound"}}',
        'set-access {"pages":["P","Q"],"access":{"to":"some","password":"over the sound","roles":["crew"],"all":true,"others":"password"}}',
        'set-access {"page":"P","access":{"to":"some","password":true}}',
        'set-address-rules {"trailingSlash":"always","suffix":"","caseSensitive":true,"nativeLetters":true}',
        'set-branch-search {"page":"P","index":false,"titlePattern":"{name}","descriptionPattern":"{summary}","follow":false,"inSitemap":false,"priority":0.3,"changeFrequency":"daily","socialPicture":"Q","inSiteSearch":false}',
        'set-code {"page":"P","styles":"p {}","head":"<meta name=\"a\" content=\"b\">"}',
        'set-content {"page":"P","document":{"type":"doc","content":[TEXT]}}',
        'set-field-defaults {"layout":"crossing","fields":{"length":"24"}}',
        'set-outside-services {"checksLinks":true,"tellsEngines":false}',
        'set-rights {"lines":[{"who":"role:reader","right":"write","says":"allow"},{"who":"person:P","branch":"Q","right":"publish","says":null}]}',
        'set-robots {"robots":"User-agent: x"}',
        'set-robots {"robots":"User-agent: *\\nDisallow: /","shutsOut":true}',
        'set-roles {"person":"P","roles":["writer","reader"]}',
        'set-search {"page":"P","index":false,"canonical":"Q","priority":0.7,"changeFrequency":"weekly","targetPhrase":"boats","follow":false,"inSitemap":true,"socialPicture":"P","inSiteSearch":false,"siteSearchDescription":"D"}',
        'set-search {"pages":["P","Q"],"index":null}',
        'set-site-head {"head":"<meta name=\"a\" content=\"b\">"}',
        'set-site-search {"titlePattern":"{name}!","descriptionPattern":"{summary}","follow":false,"inSitemap":false,"priority":0.3,"changeFrequency":"daily","socialPicture":"Q","inSiteSearch":false}',
        'set-site-search {"layout":"section","index":false}',
        'set-slug {"page":"P","slug":"fares"}',
        'set-start-page {"page":"P"}',
        'set-start-page {"page":"P","for":"signed-in"}',
        'tag {"page":"P","add":["ferry","boats"],"remove":["old"]}',
        'take-offline {"page":"P","scope":"branch"}',
        'unlist-page {"page":"P"}',
        'unpin {"page":"P"}',
        'unprotect {"page":"P"}',
    ];

    private const DECISIONS = [
        '{"kind":"give-way","address":"/fares"}',
        '{"kind":"retired","page":"P","answer":"page","to":"Q"}',
        '{"kind":"retired","page":"P","answer":"gone"}',
        '{"kind":"children-of","page":"P","answer":"up"}',
        '{"kind":"menu-entries","page":"P","answer":"remove"}',
    ];

    #[Test]
    #[DataProvider('bodies')]
    public function a_change_that_was_kept_is_the_one_that_was_asked_for(string $kind, string $body): void
    {
        $given = ['kind' => $kind, ...json_decode($body, true, flags: JSON_THROW_ON_ERROR)];
        $asked = self::read($given);
        $kept = json_decode(json_encode($asked->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE), true);

        self::assertSame($kind, $kept['kind']);
        if (! str_contains($body, '"password":"')) {
            self::assertEquals($asked, self::read($kept));
        }
        self::assertSame($kept, json_decode((string) json_encode(self::read($kept)->toArray()), true), 'Kept twice, it is the same still.');
    }

    #[Test]
    public function a_password_that_is_typed_is_kept_nowhere_and_opens_all_the_same(): void
    {
        foreach (['{"page":"P",', '{"pages":["P","Q"],'] as $whom) {
            $asked = self::read([
                'kind' => 'set-access',
                ...json_decode(self::named($whom.'"access":{"to":"some","password":"over the sound"}}'), true),
            ]);
            $kept = json_encode($asked->toArray(), JSON_THROW_ON_ERROR);
            self::assertStringNotContainsString('over the sound', $kept);

            $site = new MemorySite();
            foreach ([self::P, self::Q] as $n => $page) {
                $site->apply(new Make($page, PageName::of("Page $n"), Place::lastIn(null)));
            }
            $site->carryOut($site->plan(self::read(json_decode($kept, true))));
            self::assertTrue($site->pages[self::P]->access?->password?->isRight('over the sound'));
            self::assertSame(str_contains($whom, 'pages'), $site->pages[self::Q]->access?->password?->isRight('over the sound') ?? false);
        }
        $this->expectExceptionMessage('There is no key of a password for this page');
        self::read([
            'kind' => 'set-access',
            'page' => self::P,
            'access' => ['to' => 'some', 'password' => ['keys' => [self::Q => 'x', self::P => ['x']]]],
        ]);
    }

    #[Test]
    public function a_password_is_set_on_few_pages_at_once(): void
    {
        $pages = array_map(static fn (int $n): string => Identity::derived('01J0000000', "page $n"), range(1, 21));
        $access = ['to' => 'some', 'password' => 'over the sound'];
        self::assertCount(
            20,
            self::read(['kind' => 'set-access', 'pages' => array_slice($pages, 1), 'access' => $access])->toArray()['access']['password']['keys'],
        );
        self::read(['kind' => 'set-access', 'pages' => $pages, 'access' => ['to' => 'some', 'signedIn' => true]]);
        $this->expectExceptionMessage('at most 20 pages at once');
        self::read(['kind' => 'set-access', 'pages' => $pages, 'access' => $access]);
    }

    #[Test]
    public function every_kind_of_change_is_among_them(): void
    {
        $tried = array_map(static fn (string $line): string => strtok($line, ' '), self::BODIES);

        self::assertEqualsCanonicalizing(
            array_map(static fn (Shape $shape): string => $shape->kind, array_values(ChangeKinds::shapes())),
            array_values(array_unique($tried)),
        );
    }

    #[Test]
    public function everything_that_a_change_may_be_given_is_among_them(): void
    {
        $given = [];
        foreach (self::bodies() as [$kind, $body]) {
            $given[$kind] = ($given[$kind] ?? []) + json_decode($body, true, flags: JSON_THROW_ON_ERROR);
        }
        $untried = [];
        foreach (ChangeKinds::shapes() as $shape) {
            $untried[$shape->kind] = array_keys(array_diff_key($shape->fields, $given[$shape->kind]));
        }
        self::assertSame([], array_filter($untried));
    }

    #[Test]
    public function a_decision_that_was_kept_is_the_one_that_was_made(): void
    {
        $reader = new DecisionReader(new AddressRules());
        foreach (self::DECISIONS as $body) {
            $made = $reader->read(json_decode(self::named($body), true, flags: JSON_THROW_ON_ERROR));
            $kept = json_decode(json_encode($made->toArray(), JSON_THROW_ON_ERROR), true);
            self::assertInstanceOf(Decision::class, $made);
            self::assertEquals($made, $reader->read($kept));
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function bodies(): iterable
    {
        foreach (self::BODIES as $line) {
            [$kind, $body] = explode(' ', $line, 2);
            yield mb_substr($line, 0, 100) => [$kind, self::named($body)];
        }
    }

    /** @param  array<string, mixed>  $given */
    private static function read(array $given): Change
    {
        return (new ChangeReader(new AddressRules()))->batch([$given])->changes[0];
    }

    private static function named(string $body): string
    {
        return strtr($body, [
            '"P"' => '"'.self::P.'"',
            '"Q"' => '"'.self::Q.'"',
            'person:P' => 'person:'.self::P,
            'TEXT' => self::PARAGRAPH,
        ]);
    }
}
