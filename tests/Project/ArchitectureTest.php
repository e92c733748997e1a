<?php

declare(strict_types=1);

namespace Tests\Project;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

/** Who may know whom, and that what is generated or promised is current. */
final class ArchitectureTest extends TestCase
{
    private const ROOT = __DIR__.'/../..';

    public function test_the_core_knows_php_alone(): void
    {
        foreach (SourceFiles::in('core/src', 'php') as $file => $text) {
            preg_match_all('/^use (?!HonestCore\\\\|Random\\\\|function |const )([\w\\\\]+)/m', $text, $uses);
            self::assertSame([], $uses[1], "{$file} imports from outside");
            self::assertDoesNotMatchRegularExpression('/\b(Illuminate|App)\\\\/', $text, $file);
            self::assertDoesNotMatchRegularExpression(
                '/(?<![\w>:$])(time|microtime|date|rand|mt_rand|random_int|getenv|header|curl_init)\(/',
                $text,
                "{$file} reaches for a clock, chance or the world",
            );
        }
    }

    public function test_every_class_is_closed_and_typed(): void
    {
        foreach ([...SourceFiles::in('core/src', 'php'), ...SourceFiles::in('app', 'php')] as $file => $text) {
            self::assertStringContainsString('declare(strict_types=1);', $text, $file);
            self::assertMatchesRegularExpression(
                '/^(final |abstract |enum |interface |trait |class TeamRecordPolicy)/m',
                $text,
                $file,
            );
        }
    }

    public function test_computing_classes_say_quantity_and_source(): void
    {
        foreach (['Statistics', 'Agronomy/Lime', 'Colour'] as $folder) {
            foreach (SourceFiles::in("core/src/{$folder}", 'php') as $file => $text) {
                if (preg_match('/public static function (cdf|quantile|of|rate|between|lower)\(/', $text) === 1) {
                    self::assertMatchesRegularExpression('/(Quantity and unit|Domain|Variant|Rule):/', $text, $file);
                }
            }
        }
    }

    public function test_controllers_do_one_thing(): void
    {
        foreach (SourceFiles::in('app/Http/Controllers', 'php') as $file => $text) {
            self::assertSame(1, substr_count($text, 'public function __invoke('), $file);
            self::assertDoesNotMatchRegularExpression('/DB::table|->getPdo\(/', $text, $file);
        }
    }

    public function test_a_feature_of_the_pages_reaches_into_no_other(): void
    {
        foreach (
            [...SourceFiles::in('resources/js/features', 'vue'), ...SourceFiles::in('resources/js/features', 'ts')] as $file => $text
        ) {
            preg_match_all("#from '@/features/([^']+)'#", $text, $imports);
            foreach ($imports[1] as $import) {
                self::assertStringNotContainsString('/', $import, "{$file} reaches past the index of {$import}");
            }
        }
        foreach (
            [...SourceFiles::in('resources/js/shared', 'vue'), ...SourceFiles::in('resources/js/shared', 'ts')] as $file => $text
        ) {
            self::assertStringNotContainsString('@/features', $text, $file);
        }
    }

    public function test_every_route_is_in_the_document_and_the_other_way_round(): void
    {
        $document = Yaml::parseFile(self::ROOT.'/docs/openapi.yaml');
        $promised = [];
        foreach ($document['paths'] as $path => $operations) {
            foreach (array_intersect(array_keys($operations), ['get', 'post', 'put', 'delete']) as $method) {
                $promised[] = "{$method} {$path}";
            }
        }
        preg_match_all(
            "/Route::(get|post|put|delete)\('([^']+)'/",
            (string) file_get_contents(self::ROOT.'/routes/api.php'),
            $routes,
            PREG_SET_ORDER,
        );
        $served = array_map(static fn (array $route): string => "{$route[1]} /{$route[2]}", $routes);
        sort($promised);
        sort($served);

        self::assertSame($promised, $served);
    }

    public function test_the_types_of_the_pages_are_those_of_the_document(): void
    {
        $fresh = sys_get_temp_dir().'/honest-core-schema-'.getmypid().'.d.ts';
        exec(
            'cd '.
                escapeshellarg(self::ROOT).
                ' && npx --no-install openapi-typescript docs/openapi.yaml -o '.
                escapeshellarg($fresh).
                ' 2>&1',
            $said,
            $status,
        );
        self::assertSame(0, $status, implode("\n", $said));
        $text = (string) file_get_contents($fresh);
        unlink($fresh);

        self::assertSame($text, file_get_contents(self::ROOT.'/resources/js/api/schema.d.ts'), 'run npm run api');
    }

    public function test_pictures_and_pages_that_the_readme_names_are_there(): void
    {
        $pages = ['architecture', 'data-model', 'methods', 'decisions'];
        foreach (
            ['README.md', 'CONTRIBUTING.md', 'CHANGELOG.md', ...array_map(
                static fn (string $name): string => "docs/{$name}.md",
                $pages,
            )] as $page
        ) {
            $text = (string) file_get_contents(self::ROOT."/{$page}");
            self::assertNotSame('', $text, $page);
            preg_match_all('#`((?:app|bin|core|docs|lang|resources|tests|phpstan)/[\w./-]+)`#', $text, $paths);
            foreach ($paths[1] as $path) {
                self::assertFileExists(self::ROOT."/{$path}", "{$page} names {$path}");
            }
            preg_match_all('/\]\((?!https?:|#)([^)#]+)/', $text, $links);
            foreach ($links[1] as $link) {
                self::assertFileExists(self::ROOT.'/'.dirname($page).'/'.$link, "{$page} names {$link}");
            }
        }
        self::assertLessThan(20, count((array) glob(self::ROOT.'/docs/screenshots/*.png')));
    }

    public function test_the_newest_change_is_of_this_version(): void
    {
        $package = json_decode((string) file_get_contents(self::ROOT.'/package.json'), true);
        preg_match('/^## (\S+), \d{4}-\d\d-\d\d$/m', (string) file_get_contents(self::ROOT.'/CHANGELOG.md'), $newest);

        self::assertSame($package['version'], $newest[1] ?? null);
    }

    public function test_nothing_is_loaded_from_elsewhere(): void
    {
        foreach (
            [
                ...SourceFiles::in('resources', 'vue'),
                ...SourceFiles::in('resources', 'ts'),
                ...SourceFiles::in('resources', 'css'),
                ...SourceFiles::in('resources', 'php'),
            ] as $file => $text
        ) {
            self::assertDoesNotMatchRegularExpression('#https?://(?!www\.(w3\.org|opengis\.net)/)#', $text, $file);
        }
    }
}
