<?php

declare(strict_types=1);

namespace Tests\Project;

use HonestCore\Error\RefusalWords;
use PhpParser\Node;
use PhpParser\Node\Expr;
use PhpParser\NodeFinder;
use PhpParser\ParserFactory;

/** Every sentence by which the program refuses something, and where in the sources each is thrown. */
final class MessageCatalogue
{
    public const KINDS = [
        'BadBoundary' => 'bad_boundary', 'BadDefinition' => 'bad_definition', 'BadField' => 'bad_field',
        'BadOption' => 'bad_option', 'BadRow' => 'bad_row', 'BadTable' => 'bad_table',
        'ImpossibleStep' => 'impossible_step', 'ValueOutOfRange' => 'value_out_of_range', 'Bounds' => 'value_out_of_range',
    ];

    public static function written(): string
    {
        $said = '';
        foreach (RefusalWords::sentences() as $kind => $sentences) {
            $said .= "\n## {$kind}\n\n";
            foreach ($sentences as $reason => $words) {
                $said .= "- `{$reason}`: {$words}\n";
            }
        }
        foreach (
            [
                'refused' => ['refusals', 'What cannot be done with what was given'],
                'conflict' => ['conflicts', 'What was sound and cannot be done now'],
            ] as $title => [$file, $what]
        ) {
            /** @var array<string, string> $words */
            $words = require SourceFiles::ROOT."/lang/en/{$file}.php";
            ksort($words);
            $said .= "\n## {$title}\n\n{$what}; the words stand in `lang/en/{$file}.php`.\n\n";
            foreach ($words as $code => $sentence) {
                $said .= "- `{$code}`: {$sentence}\n";
            }
        }

        return "# What the program refuses\n\n".
            "Written by `bin/messages`; a test holds it. The kinds of the core come first, with their words of\n".
            "`core/words/refusals.json`: in braces stands what is filled in. An answer of the interface gives the kind as\n".
            "`code` and the name of the sentence as `reason`; of what the application refuses, `code` names the sentence.\n".$said;
    }

    /**
     * What one source throws: the kind, each reason it may have, and the names of the facts it gives, where they can be
     * read off the source.
     *
     * @return iterable<array{string, list<string>, list<string>|null}>
     */
    public static function thrown(string $source): iterable
    {
        $tree = (new ParserFactory)->createForHostVersion()->parse($source) ?? [];
        foreach ((new NodeFinder)->find($tree, self::makesOne(...)) as $made) {
            assert(($made instanceof Expr\New_ || $made instanceof Expr\StaticCall) && $made->class instanceof Node\Name);
            $class = $made->class->getLast();
            $args = array_values(array_map(
                static fn (Node $one): ?Expr => $one instanceof Node\Arg ? $one->value : null,
                $made->args,
            ));
            $facts = self::facts($args[$class === 'Bounds' ? 4 : 1] ?? null);
            yield [
                self::KINDS[$class],
                self::reasons($args[0] ?? null),
                $facts === null || $class !== 'Bounds' ? $facts : [...$facts, 'value', 'low', 'high'],
            ];
        }
    }

    /** @return iterable<array{string, list<string>}> each act that one source lets fail: its code and the names of its facts */
    public static function failedActs(string $source, string $class): iterable
    {
        $tree = (new ParserFactory)->createForHostVersion()->parse($source) ?? [];
        foreach ((new NodeFinder)->findInstanceOf($tree, Expr\StaticCall::class) as $call) {
            if (! $call->class instanceof Node\Name || $call->class->getLast() !== $class) {
                continue;
            }
            [$code, $facts] = ['(no code)', []];
            foreach ($call->args as $arg) {
                $name = $arg instanceof Node\Arg ? $arg->name?->toString() : null;
                if ($name !== null) {
                    $facts[] = $name;
                } elseif ($arg instanceof Node\Arg && $arg->value instanceof Node\Scalar\String_) {
                    $code = $arg->value->value;
                }
            }
            yield [$code, $facts];
        }
    }

    private static function makesOne(Node $node): bool
    {
        return ($node instanceof Expr\New_ || $node instanceof Expr\StaticCall) &&
            $node->class instanceof Node\Name &&
            isset(self::KINDS[$node->class->getLast()]);
    }

    /** @return list<string> none where a variable says it */
    private static function reasons(?Expr $said): array
    {
        return match (true) {
            $said instanceof Node\Scalar\String_ => [$said->value],
            $said instanceof Expr\Ternary => [...self::reasons($said->if), ...self::reasons($said->else)],
            $said instanceof Expr\Variable => [],
            default => ['(a sentence of its own)'],
        };
    }

    /** @return list<string>|null */
    private static function facts(?Expr $given): ?array
    {
        if ($given === null) {
            return [];
        }
        if (! $given instanceof Expr\Array_) {
            return null;
        }
        $names = [];
        foreach ($given->items as $item) {
            if ($item->key instanceof Node\Scalar\String_) {
                $names[] = $item->key->value;
            }
        }

        return $names;
    }
}
