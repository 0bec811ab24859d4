<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Exception\ElementNotInteractableException;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\DriverCommand;
use Facebook\WebDriver\Remote\RemoteExecuteMethod;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverDimension;
use Facebook\WebDriver\WebDriverKeys;
use Facebook\WebDriver\WebDriverPoint;

/** A headless Chromium of its own, found in by role and name, waiting for what it needs. */
final class Chrome
{
    /** A wait ends as soon as there is what it waits for; its end is only for what never comes, on the busiest machine. */
    private const WAIT_MS = 30_000;

    public readonly RemoteWebDriver $driver;

    private readonly string $profile;

    /** @var list<string> */
    private array $shifts = [];

    /** @param  bool  $notesShifts  of each page, which watches what the page asks for and does */
    public function __construct(string $driverUrl, int $width = 1280, int $height = 800, private readonly bool $notesShifts = false)
    {
        $this->profile = sys_get_temp_dir().'/heronstem-chrome-'.bin2hex(random_bytes(6));
        $options = (new ChromeOptions())->addArguments([
            '--headless',
            '--no-sandbox',
            '--disable-gpu',
            '--disable-quic',
            '--no-first-run',
            '--disable-background-networking',
            '--disable-component-update',
            '--disable-sync',
            '--hide-scrollbars',
            '--force-prefers-reduced-motion',
            '--force-color-profile=srgb',
            '--user-data-dir='.$this->profile,
        ]);
        $wanted = DesiredCapabilities::chrome();
        $wanted->setCapability(ChromeOptions::CAPABILITY, $options);
        $wanted->setCapability('goog:loggingPrefs', ['browser' => 'ALL']);
        $this->driver = RemoteWebDriver::create($driverUrl, $wanted, 20000, 60000);
        $this->size($width, $height);
        if ($notesShifts) {
            (new ChromeDevToolsDriver($this->driver))->execute('Page.addScriptToEvaluateOnNewDocument', [
                'source' => (string) file_get_contents(__DIR__.'/shifts.js'),
            ]);
        }
    }

    public function size(int $width, int $height): void
    {
        $this->driver->manage()->window()->setPosition(new WebDriverPoint(0, 0))->setSize(new WebDriverDimension($width, $height));
        // Headless windows have a frame of their own height; what counts is the page inside.
        [$inner, $innerHeight] = $this->driver->executeScript('return [innerWidth, innerHeight]');
        $this->driver->manage()->window()->setSize(new WebDriverDimension(2 * $width - $inner, 2 * $height - $innerHeight));
    }

    public function quit(): void
    {
        $this->driver->quit();
        exec('rm -rf '.escapeshellarg($this->profile));
    }

    public function open(string $url): void
    {
        $this->noteShifts();
        $this->driver->get($url);
    }

    /** @return list<string> what moved by itself on the pages that were open since last asked, and how */
    public function shifts(): array
    {
        $this->noteShifts();

        return array_splice($this->shifts, 0);
    }

    private function noteShifts(): void
    {
        if ($this->notesShifts) {
            array_push($this->shifts, ...array_values((array) $this->driver->executeScript('return window.movedUntilNow?.() ?? []')));
        }
    }

    /**
     * The element of a role whose accessible name is, or with `*` around contains, this.
     */
    public function find(string $role, string $name = '*'): RemoteWebElement
    {
        return $this->until(fn (): ?RemoteWebElement => $this->look($role, $name), "a $role named “{$name}”");
    }

    public function has(string $role, string $name = '*'): bool
    {
        return $this->look($role, $name) !== null;
    }

    public function awaitGone(string $role, string $name): void
    {
        // One that cannot be used while something is being done is still there.
        $this->until(fn (): ?bool => $this->look($role, $name, true) === null ? true : null, "no $role named “{$name}” any more");
    }

    /** Until it stands there and cannot be used. */
    public function awaitUnusable(string $role, string $name): void
    {
        $unusable = fn (): bool => $this->look($role, $name) === null && $this->look($role, $name, true) !== null;
        $this->until(fn (): ?bool => $unusable() ? true : null, "the $role “{$name}” to be out of use");
    }

    public function click(string $role, string $name): void
    {
        // What is found may be drawn anew before the click reaches it.
        $this->until(function () use ($role, $name): true {
            $found = $this->find($role, $name);
            // As far as the page itself brings it into sight, clear of what is pinned there; the driver stops as soon as an edge shows.
            $this->driver->executeScript('arguments[0].scrollIntoView({ block: "nearest", inline: "nearest" })', [$found]);
            $found->click();

            return true;
        }, "a click on the $role “{$name}”");
    }

    /** Waits until something stands where it stood for some frames: what arrives above it moves it, and a click would land beside. */
    public function awaitStill(string $role, string $name): void
    {
        $look =
            'const [e, done] = arguments; e.scrollIntoView({ block: "center" }); const at = () => e.getBoundingClientRect().top; const before = at(); setTimeout(() => requestAnimationFrame(() => done(e.isConnected && at() === before)), 300)';
        $this->until(
            fn (): ?bool => $this->driver->executeAsyncScript($look, [$this->find($role, $name)]) === true ? true : null,
            "the $role “{$name}” to stand still",
        );
    }

    public function type(string $role, string $name, string $text): void
    {
        // A field that has the focus already needs no click, and rows may still be arriving around it.
        $hasFocus = $this->until(
            fn (): bool => $this->driver->executeScript('return document.activeElement === arguments[0]', [$this->find($role, $name)]) === true,
            "the $role “{$name}” to stand still",
        );
        if (! $hasFocus) {
            $this->click($role, $name);
        }
        $this->press([WebDriverKeys::CONTROL, 'a'], WebDriverKeys::BACKSPACE, $text);
    }

    /** Keys to whatever has the focus when each of them comes down; a chord as a list. */
    public function press(string|array ...$keys): void
    {
        foreach ($keys as $key) {
            $held = is_array($key) ? $key : [];
            $typed = is_array($key) ? [] : mb_str_split($key);
            $this->driver->execute(DriverCommand::ACTIONS, [
                'actions' => [
                    [
                        'type' => 'key',
                        'id' => 'keyboard',
                        'actions' => [
                            ...array_map(self::down(...), $held),
                            ...array_merge(...array_map(static fn (string $one): array => [self::down($one), self::up($one)], $typed)),
                            ...array_map(self::up(...), array_reverse($held)),
                        ],
                    ],
                ],
            ]);
        }
    }

    /** @return array{type: string, value: string} */
    private static function down(string $key): array
    {
        return ['type' => 'keyDown', 'value' => $key];
    }

    /** @return array{type: string, value: string} */
    private static function up(string $key): array
    {
        return ['type' => 'keyUp', 'value' => $key];
    }

    public function awaitText(string $text, string $within = 'body'): void
    {
        $this->until(fn (): ?bool => str_contains($this->text($within), $text) ? true : null, "the text “{$text}” in ".$within);
    }

    public function awaitNoText(string $text, string $within = 'body'): void
    {
        $this->until(fn (): ?bool => str_contains($this->text($within), $text) ? null : true, "the text “{$text}” to go");
    }

    public function text(string $css = 'body'): string
    {
        return (string) $this->driver->executeScript('return document.querySelector(arguments[0])?.innerText ?? ""', [$css]);
    }

    public function path(): string
    {
        return (string) $this->driver->executeScript('return location.pathname');
    }

    /** @return list<string> what the console has complained about since last asked */
    public function complaints(): array
    {
        return array_values(
            array_map(
                static fn (array $entry): string => $entry['message'],
                array_filter(
                    (array) $this->driver->manage()->getLog('browser'),
                    static fn (array $entry): bool => in_array($entry['level'], ['SEVERE', 'WARNING'], true),
                ),
            ),
        );
    }

    /** @return list<string> what axe-core finds, one line each */
    public function axe(): array
    {
        $this->until(
            fn (): ?bool => $this->driver->executeScript('return document.getAnimations().every(a => a.playState !== "running")') ? true : null,
            'movements to end',
        );
        $this->driver->executeScript((string) file_get_contents(__DIR__.'/../../node_modules/axe-core/axe.min.js'));
        $found = $this->driver->executeAsyncScript(
            <<<'JS'
            const done = arguments[arguments.length - 1]
            axe.run(document, { resultTypes: ['violations'] }).then(r => done(r.violations.flatMap(v => v.nodes.map(n => `${v.id}: ${n.target.join(' ')} ${n.failureSummary ?? ''}`))))
            JS
            ,
        );

        return (array) $found;
    }

    /** Until what was set in motion by the last answer of a dialog has been drawn, and the focus is where it stays. */
    public function settle(): void
    {
        $this->driver->executeAsyncScript('const done = arguments[0]; requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done)))');
    }

    public function screenshot(string $file): void
    {
        $this->driver->executeScript('return document.fonts.ready.then(() => true)');
        $this->driver->takeScreenshot($file);
    }

    public function drag(RemoteWebElement $from, RemoteWebElement $to, int $offsetY, ?callable $beforeDrop = null): void
    {
        $actions = new WebDriverActions($this->driver);
        $actions->moveToElement($from)->clickAndHold()->moveByOffset(8, 8)->perform();
        (new WebDriverActions($this->driver))->moveToElement($to, 0, $offsetY)->perform();
        // A hand never holds quite still; the place under it is found anew at every movement.
        foreach ([1, -1, 1] as $tremble) {
            $this->awaitFrame();
            (new WebDriverActions($this->driver))->moveByOffset($tremble, 0)->perform();
        }
        if ($beforeDrop !== null) {
            $beforeDrop();
        }
        (new WebDriverActions($this->driver))->release()->perform();
        // For 50 ms after a drop the page takes a click for the end of the drag. Timers fall due in their order, so this one ends after that.
        $this->driver->executeAsyncScript('setTimeout(arguments[0], 60)');
    }

    /**
     * What is done inside the frame of the page, once it has what is looked for.
     *
     * @template T
     *
     * @param  callable(self): T  $do
     * @return T
     */
    public function inFrame(string $css, callable $do): mixed
    {
        $this->until(
            fn (): ?bool => $this->driver->executeScript(
                'return document.querySelector("iframe")?.contentDocument?.querySelector(arguments[0]) ? true : null',
                [$css],
            ),
            "$css in the frame",
        );
        $frame = $this->driver->findElement(WebDriverBy::cssSelector('iframe'));
        $this->driver->switchTo()->frame($frame);
        try {
            return $do($this);
        } finally {
            $this->driver->switchTo()->defaultContent();
        }
    }

    /** Until what was done has been drawn: the frame under way, and the one after it. */
    public function awaitFrame(): void
    {
        $this->driver->executeScript('return new Promise(done => requestAnimationFrame(() => requestAnimationFrame(() => done(true))))');
    }

    /**
     * @template T
     *
     * @param  callable(): ?T  $look
     * @return T
     */
    public function until(callable $look, string $what): mixed
    {
        $end = microtime(true) + self::WAIT_MS / 1000;
        do {
            try {
                $found = $look();
            } catch (StaleElementReferenceException|ElementNotInteractableException) {
                $found = null;
            }
            if ($found !== null) {
                return $found;
            }
            usleep(40_000);
        } while (microtime(true) < $end);
        throw new \RuntimeException(
            "Waited in vain for $what at ".
                $this->driver->getCurrentURL().
                "\n".
                mb_substr($this->text('[role=dialog]') ?: $this->text(), 0, 1200),
        );
    }

    private function look(string $role, string $name, bool $alsoDisabled = false): ?RemoteWebElement
    {
        $found = $this->driver->executeScript(self::LOOK, [$role, $name, $alsoDisabled]);

        return is_array($found) ? new RemoteWebElement(new RemoteExecuteMethod($this->driver), (string) current($found), true) : null;
    }

    /** Role and accessible name as far as our own screens use them. */
    private const LOOK = <<<'JS'
    const [role, name, alsoDisabled] = arguments
    const implied = { button: 'button, [role=button], summary', link: 'a[href]', textbox: 'input:not([type=checkbox]):not([type=radio]):not([type=file]), textarea, [role=textbox]', heading: 'h1, h2, h3, h4', tab: '[role=tab]', row: '[role=row]', dialog: '[role=dialog]', option: '[role=option], [cmdk-item]', menuitem: '[role=menuitem]', radio: 'input[type=radio]', checkbox: 'input[type=checkbox]', combobox: 'select', status: '[role=status], output', alert: '[role=alert]', region: 'section[aria-label]', complementary: 'aside[aria-label]', treegrid: '[role=treegrid]', file: 'input[type=file]' }
    const nameOf = el => {
        const by = el.getAttribute('aria-labelledby')
        if (by) return by.split(' ').map(id => document.getElementById(id)?.innerText ?? '').join(' ').trim()
        if (el.getAttribute('aria-label')) return el.getAttribute('aria-label')
        if (el.labels?.length) return el.labels[0].innerText.trim()
        return (el.innerText || el.placeholder || '').trim().replace(/\s+/g, ' ')
    }
    const shown = el => el.checkVisibility({ visibilityProperty: true }) || el.type === 'file'
    const matches = own => name === '*' || (name.length > 2 && name.startsWith('*') && name.endsWith('*') ? own.includes(name.slice(1, -1)) : name.endsWith('*') ? own.startsWith(name.slice(0, -1)) : own === name)
    return [...document.querySelectorAll(implied[role] ?? `[role=${role}]`)].find(el => (role !== 'button' || (el.getAttribute('role') ?? role) === role) && shown(el) && (alsoDisabled || !el.disabled) && matches(nameOf(el))) ?? null
    JS;
}
