<?php

declare(strict_types=1);

namespace Dithermic\Core\Calculator;

use ArithmeticError;
use Dithermic\Core\Changeover;
use Dithermic\Core\Charge;
use Dithermic\Core\Cost;
use Dithermic\Core\Cycle;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Diagnosis;
use Dithermic\Core\Drying;
use Dithermic\Core\Finishing;
use Dithermic\Core\Flow;
use Dithermic\Core\Force;
use Dithermic\Core\Forming;
use Dithermic\Core\Heat;
use Dithermic\Core\Heat\Conduction\NoSolution;
use Dithermic\Core\Identification;
use Dithermic\Core\Learning;
use Dithermic\Core\Material;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Mesh;
use Dithermic\Core\Numerics\Effort;
use Dithermic\Core\Numerics\TooMuchWork;
use Dithermic\Core\Process;
use Dithermic\Core\Quality;
use Dithermic\Core\Quantity;
use Dithermic\Core\Safety;
use Dithermic\Core\Schedule;
use Dithermic\Core\Settings;
use Dithermic\Core\Vacuum;
use ReflectionClass;
use ReflectionMethod;
use ReflectionNamedType;
use ReflectionParameter;

/**
 * The one door to every calculation by name: command line, HTTP, tests and screens all come through here.
 * A calculation is an invokable class carrying #[Calc]; the parameter and return types of __invoke are its contract.
 */
final class Registry
{
    /** @var list<class-string> in the order of the work */
    private const CALCULATIONS = [
        Identification\Rank::class,
        Mesh\Measure::class,
        Charge\Sheet::class,
        Charge\SheetSchools::class,
        Charge\SheetThickness::class,
        Charge\Shot::class,
        Charge\Profile::class,
        Charge\Blend::class,
        Charge\Blanks::class,
        Material\Archimedes::class,
        Heat\General\SlabCalculation::class,
        Heat\Press\PressCycle::class,
        Heat\Press\PressSchools::class,
        Heat\Press\Track::class,
        Heat\Sheet\VacuumSheet::class,
        Heat\Sheet\SheetTrack::class,
        Heat\Sheet\VacuumCool::class,
        Heat\Wall\CoolingTime::class,
        Heat\Wall\MouldContact::class,
        Heat\Barrel\BarrelSoak::class,
        Heat\Barrel\Restart::class,
        Heat\Barrel\StripFeed::class,
        Heat\Barrel\SoakTrack::class,
        Heat\Barrel\Contents::class,
        Heat\Bath\BarInBath::class,
        Heat\Dwell\Budget::class,
        Flow\Fill::class,
        Force\Clamp::class,
        Force\LeverInjection::class,
        Force\Press::class,
        Force\PlatenBow::class,
        Force\TransferRecipe::class,
        Force\SoftMouldSettings::class,
        Vacuum\Atmosphere::class,
        Vacuum\Trace::class,
        Vacuum\PumpDown::class,
        Vacuum\TwoStage::class,
        Vacuum\Leak::class,
        Vacuum\Convert::class,
        Forming\Draw::class,
        Forming\Wall::class,
        Forming\MouldCheck::class,
        Drying\Plan::class,
        Drying\Exposure::class,
        Drying\Condition::class,
        Changeover\Purge::class,
        Changeover\Sequence::class,
        Cycle\Capacity::class,
        Schedule\Planner::class,
        Finishing\Work::class,
        Cost\Part::class,
        Cost\OneMore::class,
        Quality\ThicknessGrid::class,
        Quality\Porosity::class,
        Quality\FlawMap::class,
        Quality\ControlChart::class,
        Diagnosis\Rank::class,
        Learning\Factor::class,
        Learning\FitPress::class,
        Learning\FitHeater::class,
        Learning\FitSoak::class,
        Learning\Window::class,
        Quality\Capability::class,
        Process\Compression\Planner::class,
        Process\Injection\Fits::class,
        Process\Injection\Planner::class,
        Process\Injection\ChangePlanner::class,
        Process\Extrusion\Planner::class,
        Process\VacuumForming\Planner::class,
        Settings\Recommend::class,
        Safety\Check::class,
        Quantity\Parse::class,
    ];

    /** Cells that one answer may solve: about a second of this solver; see Effort. */
    private const CELLS = 400_000;

    /** of a calculation that is done by the queue */
    private const CELLS_LONG = 6_000_000;

    /** @var array<string, Calc> */
    private array $calcs = [];

    /** @var array<string, class-string> */
    private array $known = [];

    public function __construct(
        private readonly PolymerLibrary $polymers = new PolymerLibrary,
        private readonly Files $files = new LocalFiles,
    ) {
        foreach (self::CALCULATIONS as $class) {
            $calc = (new ReflectionClass($class))->getAttributes(Calc::class)[0]->newInstance();
            $this->known[$calc->name] = $class;
            $this->calcs[$calc->name] = $calc;
        }
    }

    /** @return array<string, string> purpose by name */
    public function list(): array
    {
        return array_map(static fn (Calc $calc): string => $calc->purpose, $this->calcs);
    }

    /**
     * What the scratch bench shows of each: group, title, the words people look for it by, and an input to start from.
     *
     * @return list<array{group: string, name: string, title: string, words: string, example: array<string, mixed>}>
     */
    public function bench(): array
    {
        /** @var list<array{group: string, name: string, title: string, words: string, example: array<string, mixed>}> */
        return Record::file(__DIR__.'/../../data/bench.json')->of;
    }

    public function has(string $name): bool
    {
        return isset($this->known[$name]);
    }

    public function takesLong(string $name): bool
    {
        $this->mustKnow($name);

        return $this->calcs[$name]->long;
    }

    /**
     * @param  mixed  $input  decoded JSON
     *
     * @throws InputError
     */
    public function run(string $name, mixed $input): Result
    {
        $calculation = $this->make($name);
        $given = Reader::read($this->contract($name)[0], $input);
        try {
            $result = Effort::within(
                $this->calcs[$name]->long ? self::CELLS_LONG : self::CELLS,
                static fn (): mixed => $calculation($given),
            );
        } catch (TooMuchWork) {
            throw new InputError(
                $this->calcs[$name]->size,
                'asks for more work than an answer may take: '.$this->calcs[$name]->lighter,
            );
        } catch (NoSolution|ArithmeticError) {
            throw new InputError(
                $this->calcs[$name]->size,
                'with these numbers has no answer: one of them is far from anything usual',
            );
        }
        assert($result instanceof Result);
        if (! self::isFinite($result)) {
            throw new InputError(
                $this->calcs[$name]->size,
                'with these numbers has an answer beyond all measure: one of them is far from anything usual',
            );
        }

        return $result;
    }

    /** @return array{name: string, purpose: string, input: array<string, mixed>, result: array<string, mixed>} */
    public function schema(string $name): array
    {
        [$input, $result] = $this->contract($name);

        return [
            'name' => $name,
            'purpose' => $this->calcs[$name]->purpose,
            'input' => Schema::of($input),
            'result' => Schema::of($result),
        ];
    }

    private static function isFinite(mixed $value): bool
    {
        if (is_float($value)) {
            return is_finite($value);
        }
        foreach (is_object($value) ? get_object_vars($value) : (is_array($value) ? $value : []) as $part) {
            if ((is_float($part) || is_array($part) || is_object($part)) && ! self::isFinite($part)) {
                return false;
            }
        }

        return true;
    }

    private function make(string $name): callable
    {
        $this->mustKnow($name);
        $class = $this->known[$name];
        // A calculation may ask for the polymers or for files; what has a default is its own.
        $needs = array_filter(
            (new ReflectionClass($class))->getConstructor()?->getParameters() ?? [],
            static fn (ReflectionParameter $p): bool => ! $p->isOptional(),
        );
        $needs = array_map(
            fn (ReflectionParameter $need): object => (string) $need->getType() === Files::class ? $this->files : $this->polymers,
            $needs,
        );
        $calculation = new $class(...$needs);
        assert(is_callable($calculation));

        return $calculation;
    }

    /** @return array{class-string, class-string} the input and the result class */
    private function contract(string $name): array
    {
        $this->mustKnow($name);
        $invoke = new ReflectionMethod($this->known[$name], '__invoke');
        $input = $invoke->getParameters()[0]->getType();
        $result = $invoke->getReturnType();
        assert($input instanceof ReflectionNamedType && $result instanceof ReflectionNamedType);
        /** @var array{class-string, class-string} */
        $pair = [$input->getName(), $result->getName()];

        return $pair;
    }

    private function mustKnow(string $name): void
    {
        if (! isset($this->known[$name])) {
            throw new InputError('name', "there is no calculation \"{$name}\"; `calc --list` names them all");
        }
    }
}
