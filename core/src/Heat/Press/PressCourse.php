<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Press;

use Dithermic\Core\Heat\Conduction\Stack;

/**
 * A sheet's way through the hot press by PressModel, and through the cold one when somebody asks. Whoever judges the
 * same sheet goes on from here and heats nothing a second time. Times in seconds from the cold stack going in.
 */
final class PressCourse
{
    /** @var array{float, float, Stack}|null */
    private ?array $cooled = null;

    /**
     * @param  float  $heat  until the middle reaches its target, s
     * @param  Stack  $reached  just after the middle was there (or as it was laid in, where nobody waited for it)
     * @param  Stack  $hot  at the transfer, still between the hot platens
     */
    private function __construct(
        private readonly PressModel $model,
        public readonly float $heat,
        public readonly Stack $reached,
        public readonly Stack $hot,
    ) {
    }

    /**
     * Heated until the middle is there, and soaked.
     *
     * @param  float  $soak  s
     * @param  null|callable(Stack): void  $watch  called after every step
     */
    public static function soaked(PressModel $model, float $soak, ?callable $watch = null): self
    {
        $stack = $model->coldStack();
        $heat = $model->heatToTarget($stack, $watch);

        return self::heldUntil($model, $heat, $stack, $heat + $soak, $watch);
    }

    /**
     * Taken out at a time, whether or not the middle is there.
     *
     * @param  float  $end  s
     * @param  null|callable(Stack): void  $watch  called after every step
     */
    public static function until(PressModel $model, float $end, ?callable $watch = null): self
    {
        $stack = $model->coldStack();

        return self::heldUntil($model, $model->heatToTarget(clone $stack), $stack, $end, $watch);
    }

    /**
     * Cools until nothing is above the temperature at which it may be opened; once, however often it is asked.
     *
     * @param  null|callable(Stack): void  $watch  called after every step
     * @return array{float, float, Stack} s from the transfer, the mid-plane then in °C, and the stack as it was left
     */
    public function cool(?callable $watch = null): array
    {
        if ($this->cooled === null) {
            $stack = clone $this->hot;
            $this->model->transfer($stack);
            $this->cooled = [...$this->model->coolToDemould($stack, $watch), $stack];
        }

        return $this->cooled;
    }

    /** @param  null|callable(Stack): void  $watch */
    private static function heldUntil(
        PressModel $model,
        float $heat,
        Stack $stack,
        float $end,
        ?callable $watch,
    ): self {
        $reached = clone $stack;
        if ($stack->time > $end) {
            // The step that passed the target went past the end too: the same way again, and no further.
            $stack = $model->coldStack();
            $watch = null;
        }
        $stack->run($end, $watch === null ? null : static function (Stack $s) use ($watch): bool {
            $watch($s);

            return false;
        });

        return new self($model, $heat, $reached, $stack);
    }
}
