<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use PHPUnit\Framework\TestCase;

/** A web manager's errand in the real interface. Whatever the console complains of fails it. */
abstract class Errand extends TestCase
{
    protected Chrome $chrome;

    /** @var list<Chrome> */
    private array $browsers = [];

    /** @var list<string> parts of complaints that the errand brings about on purpose */
    protected array $expected = [];

    protected function setUp(): void
    {
        $this->chrome = $this->browser();
    }

    protected function tearDown(): void
    {
        $complaints = [];
        foreach ($this->browsers as $browser) {
            array_push($complaints, ...$browser->complaints());
            $this->noteWhatMoved($browser);
            $browser->quit();
        }
        $this->browsers = [];
        foreach ($this->expected as $part) {
            $complaints = array_filter($complaints, static fn (string $complaint): bool => ! str_contains($complaint, $part));
        }
        self::assertSame([], array_values($complaints));
    }

    /** What moves by itself is a matter of time, and fails nothing: it is written down where the environment says so, for whoever looks after it. */
    private function noteWhatMoved(Chrome $browser): void
    {
        foreach ($browser->shifts() as $moved) {
            file_put_contents((string) getenv('HERONSTEM_MOVED'), static::class.'::'.$this->name()." $moved\n", FILE_APPEND | LOCK_EX);
        }
    }

    protected function browser(int $width = 1280, int $height = 800): Chrome
    {
        return $this->browsers[] = new Chrome((string) getenv('DRIVER_URL'), $width, $height, notesShifts: getenv('HERONSTEM_MOVED') !== false);
    }

    protected function editor(string $path = '/'): string
    {
        return getenv('EDITOR_URL').$path;
    }

    protected function ferries(string $path = '/'): string
    {
        return getenv('FERRIES_URL').$path;
    }

    protected function signIn(string $mail = 'mairi@skerrivane.example', string $password = 'curlew-at-dawn', ?Chrome $in = null): Chrome
    {
        $chrome = $in ?? $this->chrome;
        $chrome->open($this->editor('/s/ferries/outline'));
        $chrome->type('textbox', 'Mail address', $mail);
        $chrome->type('textbox', 'Password', $password);
        $chrome->click('button', 'Sign in');
        $chrome->find('heading', 'Outline');
        $chrome->find('row', '*Legal*');

        return $chrome;
    }

    protected function boatyard(string $path = '/'): string
    {
        return getenv('BOATYARD_URL').$path;
    }

    /** One of the values of a list that drops down. A list that is drawn anew just as it is set hears nothing of it, and is set once more. */
    protected function choose(string $select, string $option, ?Chrome $in = null): void
    {
        $chrome = $in ?? $this->chrome;
        $listen = <<<'JS'
        const [list, option] = arguments
        window.heard = list.selectedOptions[0]?.text.trim() === option
        list.addEventListener('change', () => (window.heard = list.selectedOptions[0]?.text.trim() === option), { capture: true, once: true })
        JS;
        $chrome->until(static function () use ($chrome, $select, $option, $listen): ?true {
            $list = $chrome->find('combobox', $select);
            $chrome->driver->executeScript($listen, [$list, $option]);
            $list->findElement(WebDriverBy::xpath(".//option[normalize-space()='$option']"))->click();

            return $chrome->driver->executeScript('return window.heard') === true ? true : null;
        }, "“{$option}” to be chosen of “{$select}”");
    }

    /** Makes a page inside another through the interface, and leaves its sheet open. */
    protected function makePage(string $name, string $inside, ?Chrome $in = null): void
    {
        $chrome = $in ?? $this->chrome;
        $chrome->click('button', $inside);
        $chrome->find('complementary', 'Page sheet');
        $chrome->click('button', 'Make page');
        $chrome->type('textbox', 'Name of the new page', $name);
        $chrome->press("\u{E007}");
        $chrome->awaitText("Made $name");
        $chrome->find('heading', $name);
    }

    protected function goLive(?Chrome $in = null): void
    {
        $chrome = $in ?? $this->chrome;
        $chrome->click('button', 'Go live');
        $chrome->find('button', 'Take offline');
    }

    /** @return array{int, string, string} status, location and body, without following anything */
    protected function fetch(string $url): array
    {
        $curl = curl_init($url);
        curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_FOLLOWLOCATION => false]);
        $body = (string) curl_exec($curl);

        return [curl_getinfo($curl, CURLINFO_RESPONSE_CODE), (string) curl_getinfo($curl, CURLINFO_REDIRECT_URL), $body];
    }

    protected function database(): \PDO
    {
        return new \PDO(
            sprintf('pgsql:host=%s;port=%s;dbname=%s', getenv('DB_HOST'), getenv('DB_PORT'), getenv('DB_DATABASE')),
            (string) getenv('DB_USERNAME'),
            (string) getenv('DB_PASSWORD'),
        );
    }
}
