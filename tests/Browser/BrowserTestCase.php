<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Exception\ElementClickInterceptedException;
use Facebook\WebDriver\Exception\ElementNotInteractableException;
use Facebook\WebDriver\Exception\NoSuchAlertException;
use Facebook\WebDriver\Exception\NoSuchElementException;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Exception\TimeoutException;
use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\TestCase;

/** The real pages in a real browser, on the demo's data, each class with a database and a server of its own. */
abstract class BrowserTestCase extends TestCase
{
    protected const MAREN = 'Maren Oakhurst, technician';

    /** Of every person of the demo. */
    protected const PASSWORD = 'soil-and-lime';

    protected const TOBIAS = 'Tobias Wren, reviewer';

    /** Long enough for a busy machine; what comes is taken at once. */
    private const PATIENCE_S = 30;

    protected static Servers $servers;

    protected RemoteWebDriver $browser;

    /** The rules of WCAG 2.2 A and AA and the good practice that axe-core knows. */
    private const CHECK = <<<'JS'
    const done = arguments[1]
    axe.run(document, arguments[0]).then(
        ({ violations }) => done(violations.flatMap(({ id, nodes }) => nodes.map(({ target, failureSummary }) =>
            `${id}: ${target.join(' ')} ${(failureSummary ?? '').split('\n')[1] ?? ''}`))),
        (error) => done([String(error)]),
    )
    JS;

    public static function setUpBeforeClass(): void
    {
        self::$servers = Servers::start();
    }

    public static function tearDownAfterClass(): void
    {
        self::$servers->stop();
    }

    protected function setUp(): void
    {
        $this->browser = self::$servers->browser();
        $this->screen(1280, 800);
    }

    protected function tearDown(): void
    {
        try {
            if ($this->status()->isFailure() || $this->status()->isError()) {
                $this->picture('failed-'.$this->name());
            }
        } finally {
            $this->browser->quit();
        }
    }

    protected function screen(int $width, int $height): void
    {
        (new ChromeDevToolsDriver($this->browser))->execute('Emulation.setDeviceMetricsOverride', [
            'width' => $width,
            'height' => $height,
            'deviceScaleFactor' => 1,
            'mobile' => $width < 500,
        ]);
    }

    protected function picture(string $name): void
    {
        @mkdir(__DIR__.'/../../var', recursive: true);
        $this->browser->takeScreenshot(__DIR__."/../../var/{$name}.png");
    }

    protected function open(string $path): void
    {
        $this->browser->get(self::$servers->address.$path);
    }

    /** Signs in by the link of a demo account. */
    protected function enter(string $account, string $path = '/'): void
    {
        $this->open('/');
        $this->press($account);
        $this->see('Sign out');
        if ($path !== '/') {
            $this->open($path);
        }
    }

    protected function see(string $text): void
    {
        $this->until(fn (): bool => str_contains($this->text(), $text), "\"{$text}\" on the page");
    }

    protected function miss(string $text): void
    {
        $this->until(fn (): bool => ! str_contains($this->text(), $text), "\"{$text}\" gone from the page");
    }

    /**
     * What of the page as it stands scrolls sideways or breaks a rule of access, at several widths.
     *
     * @param list<int> $widths
     * @param array<string, mixed> $rules those that are run
     * @return list<string>
     */
    protected function breaches(string $name, array $widths, array $rules = ['resultTypes' => ['violations']]): array
    {
        $this->browser->manage()->timeouts()->setScriptTimeout(60);
        $this->browser->executeScript((string) file_get_contents(__DIR__.'/../../node_modules/axe-core/axe.min.js'));
        $found = [];
        foreach ($widths as $width) {
            $this->screen($width, 800);
            $this->browser->executeAsyncScript('const done = arguments[0]; requestAnimationFrame(() => requestAnimationFrame(done))');
            $wide = $this->browser->executeScript('return document.documentElement.scrollWidth');
            if ($wide > $width) {
                $found[] = "{$name} at {$width}: {$wide} wide";
            }
            foreach ((array) $this->browser->executeAsyncScript(self::CHECK, [$rules]) as $violation) {
                $found[] = "{$name} at {$width}: ".(is_string($violation) ? $violation : '');
            }
        }
        $this->screen(1280, 800);

        return $found;
    }

    /** The words of the page as a person reads them: of a list that is shut, what is chosen alone. */
    protected function text(): string
    {
        $shown = <<<'JS'
            const lists = [...document.querySelectorAll('select')].map((list) => [list, [...list.childNodes], list.selectedIndex])
            lists.forEach(([list]) => list.replaceChildren(...list.selectedOptions))
            const words = document.body.innerText
            lists.forEach(([list, all, at]) => (list.replaceChildren(...all), (list.selectedIndex = at)))
            return words
            JS;

        return str_replace(["\u{2009}", "\u{00a0}", "\n"], [' ', ' ', ' '], (string) $this->browser->executeScript($shown));
    }

    /** Clicks the button, link or summary with just these words. */
    protected function press(string $words): void
    {
        $quoted = self::quote($words);
        $this->click(
            "//*[self::button or self::a or self::summary or self::label][normalize-space()={$quoted} or ".
                "@aria-label={$quoted}]",
        );
    }

    protected function click(string $xpath): void
    {
        $stood = null;
        $this->until(function () use ($xpath, &$stood): bool {
            foreach ($this->browser->findElements(WebDriverBy::xpath($xpath)) as $element) {
                if ($element->isDisplayed() && $element->isEnabled()) {
                    $stands = $this->browser->executeScript(
                        'arguments[0].scrollIntoView({block: "center"}); const box = arguments[0].getBoundingClientRect(); '.
                            'return `${box.x} ${box.y} ${document.body.scrollHeight}`',
                        [$element],
                    );
                    if ($stands !== $stood) {
                        $stood = $stands;

                        return false;
                    }
                    // A page that moves under the pointer takes the click elsewhere: it counts when the element had
                    // it, or the page is gone.
                    $this->browser->executeScript(
                        'window.hadClick = false; '.
                            'arguments[0].addEventListener("click", () => { window.hadClick = true }, { once: true, '.
                                'capture: true })',
                        [$element],
                    );
                    $element->click();

                    return $this->asked() ||
                        $this->browser->executeScript('return window.hadClick !== false') === true;
                }
            }

            return false;
        }, "something to click at {$xpath}");
    }

    /** Whether a question stands before the page, which must not be read then. */
    private function asked(): bool
    {
        try {
            return $this->browser->switchTo()->alert()->getText() !== '';
        } catch (NoSuchAlertException) {
            return false;
        }
    }

    /** @param list<array{int, int}> $places pixels from the middle of the map; the last one given twice ends a shape */
    protected function clickOnMap(array $places): void
    {
        $map = $this->find("//*[contains(@class, 'ol-viewport')]");
        $this->browser->executeScript('arguments[0].scrollIntoView({block: "center"})', [$map]);
        foreach ($places as [$x, $y]) {
            (new WebDriverActions($this->browser))->moveToElement($map, $x, $y)->click()->perform();
        }
    }

    /** Types into the field under a label, in place of what stands there. */
    protected function type(string $label, string $text): void
    {
        $field = $this->field($label);
        $field->click();
        $field->sendKeys([WebDriverKeys::CONTROL, 'a']);
        $field->sendKeys(WebDriverKeys::BACKSPACE);
        $field->sendKeys($text);
    }

    protected function field(string $label): RemoteWebElement
    {
        $quoted = self::quote($label);

        return $this->find(
            "//label[span[normalize-space()={$quoted}]]//*[self::input or self::textarea] | //*[(self::input or ".
                "self::textarea) and @aria-label={$quoted}]",
        );
    }

    protected function choose(string $label, string $option): void
    {
        $quoted = self::quote($label);
        $this->pickIn("//label[span[normalize-space()={$quoted}]]", $option);
    }

    /** Chooses in the list within an element. */
    /** Chooses from a list, of the machine's own kind or drawn by the page; an option whose words hold these, or are just these. */
    protected function pickIn(string $within, string $option, bool $isWhole = false): void
    {
        $own = "{$within}/descendant-or-self::select";
        $theirs = "({$within}//*[contains(@class, 'el-select__wrapper')] | ".
            "{$within}/ancestor-or-self::*[contains(@class, 'el-select__wrapper')])";
        $quoted = self::quote($option);
        $named = $isWhole ? "normalize-space()={$quoted}" : "contains(normalize-space(), {$quoted})";
        $this->find("{$own} | {$theirs}");
        if ($this->browser->findElements(WebDriverBy::xpath($own)) === []) {
            $this->click($theirs);
            $this->click("//*[contains(@class, 'el-select-dropdown__item') and {$named}]");

            return;
        }
        $this->until(function () use ($own, $named): bool {
            $this->browser->findElement(WebDriverBy::xpath("{$own}/option[{$named}]"))->click();

            return true;
        }, "{$option} in the list");
    }

    protected function find(string $xpath): RemoteWebElement
    {
        $found = null;
        $this->until(function () use ($xpath, &$found): bool {
            foreach ($this->browser->findElements(WebDriverBy::xpath($xpath)) as $element) {
                if ($element->isDisplayed()) {
                    $found = $element;

                    return true;
                }
            }

            return false;
        }, "an element at {$xpath}");

        return $found ?? throw new NoSuchElementException($xpath);
    }

    protected function fact(string $name): string
    {
        return trim($this->find("//*[@data-fact='{$name}']")->getText());
    }

    /** @param callable(): bool $holds */
    protected function until(callable $holds, string $what): void
    {
        $last = null;
        try {
            $this->browser->wait(self::PATIENCE_S, 60)->until(static function () use ($holds, &$last): bool {
                try {
                    return $holds();
                } catch (StaleElementReferenceException|NoSuchElementException $error) {
                    $last = $error;

                    return false;
                } catch (ElementClickInterceptedException|ElementNotInteractableException $error) {
                    $last = $error;

                    return false;
                }
            });
        } catch (TimeoutException $error) {
            self::fail(
                "Waited for {$what}. ".
                    ($last?->getMessage() ?? '').
                    ' The page: '.
                    mb_substr($this->text(), 0, 1500),
            );
        }
        $this->addToAssertionCount(1);
    }

    /** Marks the cores of the open pull page as pulled, one after the other. */
    protected function pullCores(int $from, int $to): void
    {
        for ($i = $from; $i <= $to; $i++) {
            $this->see("Core {$i}");
            $this->press('Pulled');
        }
    }

    /** Another plan of the blueberry rows, of 6 cores. */
    protected function newPlan(): int
    {
        $plan = $this->browser->executeAsyncScript(
            <<<'JS'
            const done = arguments[0]
            const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)[1])
            const ask = (path, options) => fetch(`/api${path}`, { 
                headers: { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token },
                ...options,
            }).then((answer) => answer.json())
            ask('/plans/18')
                .then(({ spec }) => ask('/areas/4/plans', { method: 'POST', body: JSON.stringify({ ...spec, cores: 6 }) }))
                .then(({ id }) => done(id))
            JS
            ,
        );
        self::assertIsInt($plan);

        return $plan;
    }

    /** What the browser complained of, but for refusals in words and the question who is signed in. */
    protected function complaints(): string
    {
        $lines = array_map(
            static fn (array $entry): string => (string) $entry['message'],
            $this->browser->manage()->getLog('browser'),
        );

        return implode(
            "\n",
            array_filter(
                $lines,
                static fn (string $line): bool => preg_match(
                    '#/api/start\S* - Failed.* 401|/api/\S+ - Failed.* 422|Network location provider#',
                    $line,
                ) !== 1,
            ),
        );
    }

    private static function quote(string $text): string
    {
        return str_contains($text, "'") ? "\"{$text}\"" : "'{$text}'";
    }
}
