<?php

declare(strict_types=1);

namespace Tests\Project;

use PhpToken;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What the texts in docs/ promise of how the house is built: each wall is one test. */
final class WallsTest extends TestCase
{
    private const LONGEST = 140;

    private const MOST_BRANCHES = 12;

    private const BRANCHES = [
        T_IF, T_ELSEIF, T_FOR, T_FOREACH, T_WHILE, T_CASE, T_CATCH, T_BOOLEAN_AND, T_BOOLEAN_OR, T_COALESCE,
    ];

    /** @param list<string> $folders */
    #[DataProvider('houses')]
    public function test_no_namespaces_stand_in_a_circle(string $prefix, array $folders): void
    {
        $knows = [];
        foreach ($folders as $folder) {
            foreach (SourceFiles::in($folder, 'php') as $text) {
                $own = preg_match('/^namespace '.preg_quote($prefix, '/').'\\\\(\w+)/m', $text, $it) === 1 ? $it[1] : '';
                preg_match_all('/\b'.preg_quote($prefix, '/').'\\\\(\w+)\\\\/', $text, $others);
                foreach ($own === '' ? [] : $others[1] as $other) {
                    if ($other !== $own) {
                        $knows[$own][$other] = $other;
                    }
                }
            }
        }
        self::assertNotSame([], $knows);
        foreach (array_keys($knows) as $start) {
            self::assertSame([], self::wayBack($start, $start, $knows, []), "a circle through {$prefix}\\{$start}");
        }
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function houses(): iterable
    {
        yield 'the core' => ['HonestCore', ['core/src']];
        yield 'the actions' => ['App\\Actions', ['app/Actions']];
    }

    public function test_http_asks_no_database(): void
    {
        foreach (SourceFiles::in('app/Http', 'php') as $file => $text) {
            self::assertDoesNotMatchRegularExpression(
                '/::query\(|\bDB::|->newQuery\(|->load\(|->loadCount\(|->whereHas\(|->paginate\((?!self::)/',
                $text,
                $file,
            );
        }
    }

    public function test_pages_ask_through_the_file_of_their_feature_and_draw_no_field_of_their_own(): void
    {
        foreach (SourceFiles::in('resources/js', 'ts') + SourceFiles::in('resources/js', 'vue') as $file => $text) {
            if (! str_ends_with($file, '/api.ts')) {
                self::assertDoesNotMatchRegularExpression('/\buseQuery\(/', $text, $file);
            }
            if (! str_ends_with($file, '/OneOf.vue')) {
                self::assertDoesNotMatchRegularExpression('/<select\b|<input[^>]*type="(date|number)"/', $text, $file);
            }
        }
    }

    public function test_resources_shape_and_compute_nothing(): void
    {
        foreach (SourceFiles::in('app/Http/Resources', 'php') as $file => $text) {
            self::assertDoesNotMatchRegularExpression('/\bapp\(|\bresolve\(|\b(sqrt|array_sum|round|floor|abs)\(/', $text, $file);
            self::assertDoesNotMatchRegularExpression('/::(fit|between|judge|assess|of(Value|Interval|Pairs))\(/', $text, $file);
        }
    }

    /** A rule that compares days reads whatever it is given; what is no text must have been refused before. */
    public function test_a_day_is_text_before_it_is_compared(): void
    {
        foreach (SourceFiles::in('app/Http', 'php') as $file => $text) {
            preg_match_all("/=> \[([^\]]*'(?:after|before|after_or_equal|before_or_equal|date_equals):[^\]]*)\]/", $text, $rules);
            foreach ($rules[1] as $rule) {
                self::assertMatchesRegularExpression("/'bail'.*'string'/s", $rule, "{$file}: {$rule}");
            }
        }
    }

    public function test_no_line_is_longer_than_it_may_be(): void
    {
        foreach (['app', 'core/src', 'core/tests', 'database', 'stand-in', 'tests', 'routes', 'config', 'bootstrap'] as $folder) {
            foreach (SourceFiles::in($folder, 'php') as $file => $text) {
                self::assertSame([], self::longLines($text), $file);
            }
        }
        foreach (['vue', 'ts', 'css'] as $ending) {
            foreach (SourceFiles::in('resources', $ending) as $file => $text) {
                self::assertSame([], self::longLines($text), $file);
            }
        }
    }

    public function test_no_two_classes_share_a_name(): void
    {
        $named = [];
        foreach ([...SourceFiles::in('app', 'php'), ...SourceFiles::in('core/src', 'php')] as $file => $text) {
            $named[basename($file, '.php')][] = $file;
        }

        self::assertSame([], array_filter($named, static fn (array $files): bool => count($files) > 1));
    }

    public function test_each_class_that_the_application_takes_from_the_core_has_a_test_of_its_name(): void
    {
        $tests = SourceFiles::in('core/tests', 'php');
        $covered = array_map(static fn (string $file): string => basename($file, 'Test.php'), array_keys($tests));
        foreach ($tests as $text) {
            preg_match_all('/^#\[CoversClass\((\w+)::class\)\]/m', $text, $named);
            array_push($covered, ...$named[1]);
        }
        $taken = [];
        foreach (SourceFiles::in('app', 'php') as $text) {
            preg_match_all('/^use HonestCore\\\\([\w\\\]+);/m', $text, $uses);
            array_push($taken, ...$uses[1]);
        }
        $classes = array_filter(
            array_unique($taken),
            static fn (string $class): bool => ! str_contains(
                (string) file_get_contents(SourceFiles::ROOT.'/core/src/'.strtr($class, '\\', '/').'.php'),
                "\ninterface ",
            ),
        );
        $names = array_map(static fn (string $class): string => basename(strtr($class, '\\', '/')), $classes);

        self::assertSame([], array_values(array_diff($names, $covered)));
    }

    public function test_every_package_is_used_and_every_class_is_named_somewhere(): void
    {
        $pages = implode("\n", [
            ...SourceFiles::in('resources', 'ts'),
            ...SourceFiles::in('resources', 'vue'),
            ...SourceFiles::in('resources', 'css'),
            (string) file_get_contents(SourceFiles::ROOT.'/vite.config.ts'),
        ]);
        $asked = json_decode((string) file_get_contents(SourceFiles::ROOT.'/package.json'), true);
        foreach (array_keys($asked['dependencies']) as $package) {
            self::assertMatchesRegularExpression("#['\"]{$package}(/|['\"])#", $pages, "nothing imports {$package}");
        }
        $php = [
            ...SourceFiles::in('app', 'php'),
            ...SourceFiles::in('core/src', 'php'),
            ...SourceFiles::in('routes', 'php'),
            ...SourceFiles::in('bootstrap', 'php'),
            ...SourceFiles::in('database', 'php'),
        ];
        $words = [];
        foreach ($php as $file => $text) {
            preg_match_all('/\b[A-Z]\w+\b/', $text, $found);
            foreach (array_unique($found[0]) as $word) {
                $words[$word][] = $file;
            }
        }
        foreach ([...SourceFiles::in('app', 'php'), ...SourceFiles::in('core/src', 'php')] as $file => $text) {
            if (! str_contains($text, 'extends ContractCommand') && ! str_contains($file, 'app/Console/Commands/')) {
                self::assertNotSame([], array_diff($words[basename($file, '.php')] ?? [], [$file]), "nothing names {$file}");
            }
        }
    }

    public function test_every_function_of_the_core_is_called_somewhere(): void
    {
        $core = SourceFiles::in('core/src', 'php');
        $words = array_count_values(
            array_merge(
                ...array_map(
                    static fn (string $text): array => preg_match_all('/\w+/', $text, $found) > 0 ? $found[0] : [],
                    [...array_values($core), ...array_values(SourceFiles::in('app', 'php')), ...array_values(
                        SourceFiles::in('core/tests', 'php'),
                    )],
                ),
            ),
        );
        foreach ($core as $file => $text) {
            preg_match_all('/function ([a-z]\w*)\(/', $text, $named);
            foreach ($named[1] as $name) {
                self::assertGreaterThan(1, $words[$name], "{$file}: nothing calls {$name}");
            }
        }
    }

    public function test_static_analysis_reads_the_core_and_the_application_closely(): void
    {
        foreach (['phpstan.neon' => 9, 'phpstan/core.neon' => 10, 'phpstan/tests.neon' => 8] as $file => $least) {
            preg_match('/level: (\d+)/', (string) file_get_contents(SourceFiles::ROOT."/{$file}"), $level);
            self::assertGreaterThanOrEqual($least, (int) ($level[1] ?? 0), $file);
            self::assertStringNotContainsString('ignoreErrors', (string) file_get_contents(SourceFiles::ROOT."/{$file}"));
        }
    }

    public function test_each_failed_act_has_a_code_and_its_words_in_the_catalogue(): void
    {
        foreach (['Conflict' => 'conflicts', 'Refused' => 'refusals'] as $class => $file) {
            $catalogue = require dirname(__DIR__, 2)."/lang/en/{$file}.php";
            $used = [];
            foreach (SourceFiles::in('app', 'php') as $path => $text) {
                foreach (MessageCatalogue::failedActs($text, $class) as [$code, $given]) {
                    preg_match_all('/:([a-z]+)/', $catalogue[$code] ?? '', $said);
                    self::assertEqualsCanonicalizing($said[1], $given, "the facts of {$code} in {$path}");
                    $used[$code] = $code;
                }
            }
            self::assertEqualsCanonicalizing(array_keys($catalogue), array_values($used));
        }
    }

    public function test_no_function_has_more_branches_than_a_reader_can_hold(): void
    {
        $found = [];
        foreach (['app', 'core/src', 'stand-in'] as $folder) {
            foreach (SourceFiles::in($folder, 'php') as $file => $text) {
                foreach (self::branches($text) as $name => $count) {
                    if ($count > self::MOST_BRANCHES) {
                        $found[] = "{$file} {$name}: {$count}";
                    }
                }
            }
        }

        self::assertSame([], $found);
    }

    /** @return array<string, int> branches by named function */
    private static function branches(string $text): array
    {
        [$counts, $open, $depth, $named] = [[], [], 0, null];
        $tokens = PhpToken::tokenize($text);
        foreach ($tokens as $i => $token) {
            if ($token->id === T_FUNCTION && ($tokens[$i + 2]->id ?? null) === T_STRING) {
                $named = $tokens[$i + 2]->text;
            } elseif ($token->text === '{' || $token->id === T_CURLY_OPEN) {
                $depth++;
                if ($named !== null) {
                    $open[] = [$named, $depth];
                    $counts[$named] = 0;
                    $named = null;
                }
            } elseif ($token->text === '}') {
                if ($open !== [] && $open[count($open) - 1][1] === $depth) {
                    array_pop($open);
                }
                $depth--;
            } elseif ($token->text === ';') {
                $named = null;
            } elseif ($open !== [] && (in_array($token->id, self::BRANCHES, true) || $token->text === '?')) {
                $counts[$open[count($open) - 1][0]]++;
            }
        }

        return $counts;
    }

    /** @return list<string> */
    private static function longLines(string $text): array
    {
        return array_values(
            array_filter(explode("\n", $text), static fn (string $line): bool => mb_strlen($line) > self::LONGEST),
        );
    }

    /**
     * @param array<string, array<string, string>> $knows
     * @param array<string, true> $seen
     * @return list<string> the namespaces of a circle; none when there is none
     */
    private static function wayBack(string $here, string $start, array $knows, array $seen): array
    {
        foreach ($knows[$here] ?? [] as $next) {
            if ($next === $start) {
                return [$here, $start];
            }
            if (! isset($seen[$next])) {
                $seen[$next] = true;
                $way = self::wayBack($next, $start, $knows, $seen);
                if ($way !== []) {
                    return [$here, ...$way];
                }
            }
        }

        return [];
    }
}
