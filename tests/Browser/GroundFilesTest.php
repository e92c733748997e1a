<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\WebDriverBy;

/**
 * Files of ground of many programs, chosen in the page: right, refused in words, and never wrong
 * (tests/corpus/ground/make.py).
 */
final class GroundFilesTest extends BrowserTestCase
{
    private const FOLDER = __DIR__.'/../corpus/ground/';

    public function test_no_file_of_ground_is_read_wrongly(): void
    {
        /**
         * @var array<string, array{refused?: string, areas?: list<array{string, float}>, passed_over?: int}> $truths
         */
        $truths = json_decode((string) file_get_contents(self::FOLDER.'truth.json'), true, 16, JSON_THROW_ON_ERROR);
        $this->enter(self::MAREN, '/areas');
        $counts = ['right' => 0, 'refused' => 0, 'wrong' => 0];
        $wrong = [];
        foreach ($truths as $file => $truth) {
            $this->click("//button[contains(., 'Bring in a file')]");
            $this->find("//input[@aria-label='File of areas']")
                ->setFileDetector(new LocalFileDetector())
                ->sendKeys((string) realpath(self::FOLDER.$file));
            $problem = isset($truth['refused'])
                ? $this->refusal($truth['refused'])
                : $this->areas($truth['areas'] ?? [], $truth['passed_over'] ?? 0);
            $counts[$problem !== '' ? 'wrong' : (isset($truth['refused']) ? 'refused' : 'right')]++;
            $wrong = $problem === '' ? $wrong : [...$wrong, "{$file}: {$problem}"];
            $this->open('/areas');
        }
        fwrite(
            STDOUT,
            "\nfiles of ground: ".
                implode(
                    ', ',
                    array_map(
                        static fn (string $what, int $count): string => "{$count} {$what}",
                        array_keys($counts),
                        $counts,
                    ),
                ).
                "\n",
        );

        self::assertSame([], $wrong);
        self::assertGreaterThanOrEqual(30, array_sum($counts));
    }

    private function refusal(string $words): string
    {
        $this->find("//*[@role='alert'] | //*[contains(., 'found. All of them are added')]");
        $said = implode(
            ' ',
            array_map(
                static fn ($one): string => $one->getText(),
                $this->browser->findElements(WebDriverBy::xpath("//*[@role='alert']")),
            ),
        );

        return str_contains($said, $words) ? '' : "\"{$words}\" was not said: {$said}";
    }

    /** @param list<array{string, float}> $areas */
    private function areas(array $areas, int $passed): string
    {
        $this->find("//*[@role='alert'] | //p[contains(., 'found. All of them are added')]");
        $rows = $this->browser->findElements(WebDriverBy::xpath("//*[contains(@class, 'el-dialog')]//tbody/tr"));
        if (count($rows) !== count($areas)) {
            return count($rows).
                ' areas: '.
                implode(
                    ' ',
                    array_map(
                        static fn ($one): string => $one->getText(),
                        $this->browser->findElements(WebDriverBy::xpath("//*[@role='alert']")),
                    ),
                );
        }
        foreach ($areas as $i => [$name, $m2]) {
            $shown = $rows[$i]->findElement(WebDriverBy::xpath('.//td[3]'))->getText();
            $found =
                preg_match('/([\d.,]+)\D{1,3}ha/', $shown, $m) === 1
                    ? (float) str_replace(',', '', $m[1]) * 10_000
                    : NAN;
            $named = (string) $rows[$i]
                ->findElement(WebDriverBy::xpath(".//input[starts-with(@aria-label, 'Name of area')]"))
                ->getAttribute('value');
            // A hundredth of a hectare is shown; a shift of the datum changes nothing of the extent.
            if ($named !== $name || ! (abs($found - $m2) <= 60 + 0.002 * $m2)) {
                return "{$named}, {$shown}; truly {$name}, ".round($m2 / 10_000, 3).' ha';
            }
        }
        $over = count($this->browser->findElements(WebDriverBy::xpath("//li[contains(., 'Passed over')]")));

        return $over === $passed ? '' : "{$over} passed over, truly {$passed}";
    }
}
