<?php

declare(strict_types=1);

namespace Tests\Bench;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Servers;

/**
 * How many frames a second the plan's map keeps while it is dragged in circles, the cores in view: the median of some
 * drags.
 */
final class MapPanning
{
    private const FRAMES = 240;

    private const DRAGS = 5;

    private const DRAG = <<<'JS'
    const [frames, done] = arguments
    const map = document.querySelector('.ol-viewport')
    const box = map.getBoundingClientRect()
    const at = (k) => ({
        clientX: box.x + box.width / 2 + 120 * Math.cos((k / frames) * 4 * Math.PI),
        clientY: box.y + box.height / 2 + 120 * Math.sin((k / frames) * 4 * Math.PI),
        bubbles: true, pointerId: 1, pointerType: 'mouse', button: 0, buttons: 1, isPrimary: true,
    })
    map.querySelector('canvas').dispatchEvent(new PointerEvent('pointerdown', at(0)))
    const gaps = []
    let k = 0, last = 0
    requestAnimationFrame(function frame(now) {
        if (last) gaps.push(now - last)
        last = now
        document.dispatchEvent(new PointerEvent(++k < frames ? 'pointermove' : 'pointerup', at(k)))
        if (k < frames) requestAnimationFrame(frame)
        else done(gaps)
    })
    JS;

    public function __construct(private readonly Servers $servers) {}

    /**
     * @return array{cores: int, drags: int, frames_per_s: float, median_frame_ms: float, frame_ms_of_95_in_100: float}
     */
    public function measure(int $area, int $cores, ?string $picture = null): array
    {
        $browser = $this->servers->browser();
        try {
            $browser->manage()->timeouts()->setScriptTimeout(60);
            $browser->get($this->servers->address);
            $this->await($browser, 'This is a demo');
            $browser->findElement(WebDriverBy::xpath("//li[contains(., 'maren@')]//button"))->click();
            $this->await($browser, 'Sign out');
            $browser->get("{$this->servers->address}/plans/{$area}");
            $this->await($browser, number_format($cores));
            $browser->executeAsyncScript(
                'const done = arguments[0]; requestIdleCallback(() => requestAnimationFrame(() => '.
                    'requestIdleCallback(done)))',
            );
            $drags = [];
            for ($i = 0; $i < self::DRAGS; $i++) {
                $gaps = $browser->executeAsyncScript(self::DRAG, [self::FRAMES]);
                sort($gaps);
                $drags[] = [
                    (1000 * count($gaps)) / array_sum($gaps),
                    $gaps[intdiv(count($gaps), 2)],
                    $gaps[(int) (0.95 * count($gaps))],
                ];
            }
            if ($picture !== null) {
                $browser->takeScreenshot($picture);
            }
            $middle = static function (int $figure) use ($drags): float {
                $values = array_column($drags, $figure);
                sort($values);

                return round($values[intdiv(self::DRAGS, 2)], 1);
            };

            return [
                'cores' => $cores,
                'drags' => self::DRAGS,
                'frames_per_s' => $middle(0),
                'median_frame_ms' => $middle(1),
                'frame_ms_of_95_in_100' => $middle(2),
            ];
        } finally {
            $browser->quit();
        }
    }

    private function await(RemoteWebDriver $browser, string $words): void
    {
        $browser
            ->wait(30, 100)
            ->until(
                static fn (): bool => str_contains(
                    (string) $browser->executeScript('return document.body.innerText'),
                    $words,
                ),
            );
    }
}
