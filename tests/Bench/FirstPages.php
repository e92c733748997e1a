<?php

declare(strict_types=1);

namespace Tests\Bench;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Exception\TimeoutException;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Servers;

/**
 * What somebody waits for who opens a page for the first time with a slow processor (4x) and a slow line (1.6 Mbit/s, 150 ms):
 * the first paint, the words of the page, the longest that the page stood still, and what came over the line. Nothing is in a
 * cache; medians of some rounds.
 */
final readonly class FirstPages
{
    private const SLOWER = 4;

    private const BYTES_PER_S = 200_000;

    private const LATENCY_MS = 150;

    /** Notes when the page is painted, stands still, and first has the words that are looked for. */
    private const WATCH = <<<'JS'
    window.bench = { longest: 0, blocked: 0, usable: null, words: WORDS }
    new PerformanceObserver((list) => {
        for (const { duration } of list.getEntries()) {
            window.bench.longest = Math.max(window.bench.longest, duration)
            window.bench.blocked += duration - 50
        }
    }).observe({ type: 'longtask', buffered: true })
    const look = () => {
        if (document.body?.innerText.includes(window.bench.words)) window.bench.usable = performance.now()
        else setTimeout(look, 20)
    }
    look()
    JS;

    private const FOUND = <<<'JS'
    const seen = performance.getEntriesByType('resource')
    return {
        paint: performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? null,
        kb: seen.filter(({ name }) => !name.endsWith('sw.js')).reduce((sum, { transferSize }) => sum + transferSize, 0) / 1000,
        requests: seen.length,
        ...window.bench,
    }
    JS;

    public function __construct(private Servers $servers) {}

    /**
     * @param array<string, array{string, string, bool}> $pages by name: the path, words that it has when it can be used, and
     *                                                          whether somebody is signed in
     * @return array<string, array<string, float>>
     */
    public function measure(array $pages, int $rounds): array
    {
        $found = [];
        foreach ($pages as $name => [$path, $words, $isSignedIn]) {
            $rows = array_map(fn (): array => $this->once($path, $words, $isSignedIn), range(1, max(1, $rounds)));
            $middle = static fn (string $figure): float => round(
                Figures::share(array_map(static fn (array $row): float => floatval($row[$figure] ?? NAN), $rows), 0.5),
                1,
            );
            $found[$name] = [
                'first_paint_ms' => $middle('paint'),
                'usable_ms' => $middle('usable'),
                'longest_task_ms' => $middle('longest'),
                'blocked_ms' => $middle('blocked'),
                'kb_over_the_line' => $middle('kb'),
                'requests' => $middle('requests'),
            ];
        }

        return $found;
    }

    /** @return array<string, mixed> */
    private function once(string $path, string $words, bool $isSignedIn): array
    {
        $browser = $this->servers->browser();
        try {
            $tools = new ChromeDevToolsDriver($browser);
            if ($isSignedIn) {
                $browser->get($this->servers->address);
                $this->await($browser, 'This is a demo');
                $browser->findElement(WebDriverBy::xpath("//li[contains(., 'maren@')]//button"))->click();
                $this->await($browser, 'Sign out');
                $browser->get("{$this->servers->address}/mark.svg");
            }
            $tools->execute('Network.enable', []);
            $kept = ['origin' => $this->servers->address, 'storageTypes' => 'service_workers,cache_storage'];
            $tools->execute('Storage.clearDataForOrigin', $kept);
            $tools->execute('Network.clearBrowserCache', []);
            $tools->execute('Network.setBypassServiceWorker', ['bypass' => true]);
            $tools->execute('Network.emulateNetworkConditions', [
                'offline' => false, 'latency' => self::LATENCY_MS, 'downloadThroughput' => self::BYTES_PER_S,
                'uploadThroughput' => self::BYTES_PER_S / 2,
            ]);
            $tools->execute('Emulation.setCPUThrottlingRate', ['rate' => self::SLOWER]);
            $tools->execute('Page.enable', []);
            $tools->execute('Page.addScriptToEvaluateOnNewDocument', [
                'source' => str_replace('WORDS', json_encode($words, JSON_THROW_ON_ERROR), self::WATCH),
            ]);
            $browser->get($this->servers->address.$path);
            $this->await($browser, $words);
            // What is left to draw belongs to what is measured.
            $browser->executeAsyncScript('const done = arguments[0]; requestIdleCallback(() => requestIdleCallback(done))');
            $figures = $browser->executeScript(self::FOUND);

            return is_array($figures) ? $figures : [];
        } finally {
            $browser->quit();
        }
    }

    private function await(RemoteWebDriver $browser, string $words): void
    {
        $holds = static fn (): bool => str_contains((string) $browser->executeScript('return document.body.innerText'), $words);
        try {
            $browser->wait(60, 100)->until($holds);
        } catch (TimeoutException) {
            $seen = (string) $browser->executeScript('return document.body.innerText');
            throw new TimeoutException("\"{$words}\" is not on the page: ".mb_substr($seen, 0, 400));
        }
    }
}
