<?php

declare(strict_types=1);

namespace Tests\Project;

use PhpParser\Node;
use PhpParser\Node\Expr;
use PhpParser\Node\Scalar;
use PhpParser\NodeFinder;
use PhpParser\ParserFactory;

/** Every sentence by which the program refuses something, read out of the sources: where, by which code, in which words. */
final class MessageCatalogue
{
    private const ENDINGS = [
        'BadBoundary' => 'bad_boundary', 'BadDefinition' => 'bad_definition', 'BadField' => 'bad_field',
        'BadOption' => 'bad_option', 'BadRow' => 'bad_row', 'BadTable' => 'bad_table',
        'ImpossibleStep' => 'impossible_step', 'ValueOutOfRange' => 'value_out_of_range',
    ];

    public static function ofSources(): string
    {
        $lines = [];
        foreach (SourceFiles::in('core/src', 'php') as $file => $text) {
            foreach (self::thrown($text) as [$code, $words]) {
                $lines[$code][$words][] = '`'.basename($file, '.php').'`';
            }
        }
        ksort($lines);
        $said = '';
        foreach ($lines as $code => $sentences) {
            ksort($sentences);
            $said .= "\n## {$code}\n\n";
            foreach ($sentences as $words => $where) {
                $said .= "- {$words} ".implode(', ', array_unique($where))."\n";
            }
        }
        /** @var array<string, string> $conflicts */
        $conflicts = require SourceFiles::ROOT.'/lang/en/conflicts.php';
        ksort($conflicts);
        foreach ($conflicts as $code => $words) {
            $conflicts[$code] = "- `{$code}`: ".str_replace('|', '\|', $words);
        }

        return "# What the program refuses\n\n".
            "Written by `bin/messages` from the sources; a test holds it. In braces stands what is filled in. A refusal of\n".
            "the core is worded where it is thrown, because commands print it with no framework about; it carries its\n".
            "facts (place, value, bounds, unit, what is accepted) beside the words, and an answer gives its code.\n".
            $said."\n## conflict\n\nWhat was sound and cannot be done now; the words stand in `lang/en/conflicts.php`.\n\n".
            implode("\n", $conflicts)."\n";
    }

    /** @return iterable<array{string, string}> code and words */
    private static function thrown(string $text): iterable
    {
        $tree = (new ParserFactory)->createForHostVersion()->parse($text) ?? [];
        $class = (new NodeFinder)->findFirstInstanceOf($tree, Node\Stmt\ClassLike::class);
        foreach ((new NodeFinder)->findInstanceOf($tree, Expr\Throw_::class) as $throw) {
            $made = $throw->expr;
            if (! ($made instanceof Expr\New_ || $made instanceof Expr\StaticCall) || ! $made->class instanceof Node\Name) {
                continue;
            }
            $code = self::ENDINGS[$made->class->getLast()] ?? null;
            $parts = array_map(
                static fn (Node $one): string => $one instanceof Node\Arg ? self::words($one->value) : '…',
                array_values($made->args),
            );
            if ($code === null || $class?->name?->toString() === $made->class->getLast()) {
                continue;
            }
            yield [$code, self::sentence($made instanceof Expr\New_ ? '' : $code, $parts)];
        }
    }

    /** @param list<string> $parts */
    private static function sentence(string $code, array $parts): string
    {
        $part = static fn (int $i): string => $parts[$i] ?? '';

        return match ($code) {
            '' => $part(0),
            'bad_table' => "{$part(0)}; accepted is {$part(1)}.",
            'bad_field' => "\"{$part(0)}\" is missing or of another kind; accepted is {$part(1)}.",
            'bad_row' => "row {$part(0)}: {$part(1)}; accepted is {$part(2)}.",
            'value_out_of_range' => trim("{$part(0)} must be {$part(2)} {$part(3)}").', '.$part(1).' given.',
            default => "{$part(0)}: {$part(1)}; accepted is {$part(2)}.",
        };
    }

    private static function words(Expr $from): string
    {
        return match (true) {
            $from instanceof Scalar\String_ => $from->value,
            $from instanceof Scalar\Int_, $from instanceof Scalar\Float_ => (string) $from->value,
            $from instanceof Expr\BinaryOp\Concat => self::words($from->left).self::words($from->right),
            $from instanceof Expr\Ternary && $from->if !== null => self::words($from->if).' / '.self::words($from->else),
            $from instanceof Scalar\InterpolatedString => implode('', array_map(
                static fn (Expr|Node\InterpolatedStringPart $one): string => $one instanceof Expr ? self::words($one) : $one->value,
                $from->parts,
            )),
            $from instanceof Expr\Variable && is_string($from->name) => "{{$from->name}}",
            $from instanceof Expr\PropertyFetch && $from->name instanceof Node\Identifier => "{{$from->name}}",
            $from instanceof Expr\ClassConstFetch && $from->name instanceof Node\Identifier => '{'.strtolower((string) $from->name).'}',
            $from instanceof Expr\FuncCall && $from->name instanceof Node\Name => self::filled($from),
            default => '{…}',
        };
    }

    /** What a call puts into the sentence: the name of what it is called with. */
    private static function filled(Expr\FuncCall $call): string
    {
        $last = end($call->args);

        return $last instanceof Node\Arg ? self::words($last->value) : '{…}';
    }
}
