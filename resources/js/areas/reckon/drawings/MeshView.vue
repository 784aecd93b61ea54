<script setup lang="ts">
import { useElementSize } from '@vueuse/core';
import {
    AmbientLight,
    BufferAttribute,
    BufferGeometry,
    Color,
    DirectionalLight,
    DoubleSide,
    EdgesGeometry,
    LineBasicMaterial,
    LineSegments,
    Mesh,
    MeshBasicMaterial,
    MeshLambertMaterial,
    PerspectiveCamera,
    Scene,
    Vector3,
    WebGLRenderer,
} from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import { onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { api } from '../../../api/client';

/** The part in three dimensions, coloured by draft, with what holds it marked. The core says which facet is what. */
const props = defineProps<{ file: string; pull: string; male: boolean; units: string }>();
const box = ref<HTMLDivElement | null>(null);
const { width } = useElementSize(box);
const state = ref<'loading' | 'ready' | 'no-3d' | 'failed'>('loading');
const FLOATS = 11;
/** What each colour means; a word stands beside every one. */
const KINDS = [
    { word: 'holds it: undercut', colour: '#a8127f' },
    { word: 'side under 1°', colour: '#c8451a' },
    { word: '1 to 3°', colour: '#e9a15f' },
    { word: '3° and more', colour: '#2f7f9d' },
    { word: 'looks to the pull', colour: '#d8d2c4' },
    { word: 'base', colour: '#8d979b' },
] as const;
const AXES: Record<string, [number, number, number]> = {
    '+x': [1, 0, 0],
    '-x': [-1, 0, 0],
    '+y': [0, 1, 0],
    '-y': [0, -1, 0],
    '+z': [0, 0, 1],
    '-z': [0, 0, -1],
};
const kindOf = (draft: number, kind: number) =>
    kind === 2 ? 0 : kind === 3 ? 5 : kind === 0 ? 4 : draft < 1 - 1e-4 ? 1 : draft < 3 - 1e-4 ? 2 : 3;

let renderer: WebGLRenderer | null = null;
let controls: OrbitControls | null = null;
let part: Mesh<BufferGeometry, MeshLambertMaterial> | null = null;
/** What holds it, drawn faintly through everything before it, so that none stays unseen. */
let held: Mesh<BufferGeometry, MeshBasicMaterial> | null = null;
let outline: LineSegments<EdgesGeometry, LineBasicMaterial> | null = null;
let stop: AbortController | null = null;
const scene = new Scene();
const camera = new PerspectiveCamera(32, 16 / 10, 0.1, 1e5);
const light = new DirectionalLight(0xffffff, 2.2);
scene.add(new AmbientLight(0xffffff, 1.5), light, camera);
let radius = 1;
const draw = () => {
    light.position.copy(camera.position);
    renderer?.render(scene, camera);
};

function look(from: 'corner' | 'side' | 'above' | 'below') {
    const [x, y, z] = AXES[props.pull]!;
    const pull = new Vector3(x, y, z);
    const across = new Vector3(z, x, y);
    const third = new Vector3().crossVectors(pull, across);
    const where = {
        corner: pull
            .clone()
            .multiplyScalar(0.42)
            .add(across.clone().multiplyScalar(0.5))
            .add(third.clone().multiplyScalar(-0.8)),
        side: third.clone().negate(),
        above: pull.clone().add(third.clone().multiplyScalar(-0.001)),
        below: pull.clone().negate().add(third.clone().multiplyScalar(-0.001)),
    }[from];
    camera.up.copy(pull);
    camera.position.copy(where.normalize().multiplyScalar(radius * 2.9));
    controls?.target.set(0, 0, 0);
    controls?.update();
    draw();
}

function clear() {
    for (const mesh of [part, held, outline])
        if (mesh) {
            scene.remove(mesh);
            mesh.geometry.dispose();
            mesh.material.dispose();
        }
}

async function load() {
    stop?.abort();
    stop = new AbortController();
    state.value = 'loading';
    try {
        const raw = new Float32Array(
            await api.bytes(
                `meshes/${props.file}/facets?pull=${encodeURIComponent(props.pull)}&male=${props.male ? 1 : 0}&units=${props.units}`,
                stop.signal,
            ),
        );
        const facets = raw.length / FLOATS;
        const at = new Float32Array(9 * facets);
        const colour = new Float32Array(9 * facets);
        const palette = KINDS.map((k) => new Color(k.colour));
        const holding: number[] = [];
        for (let i = 0; i < facets; i++) {
            if (raw[FLOATS * i + 10] === 2) holding.push(...raw.subarray(FLOATS * i, FLOATS * i + 9));
            at.set(raw.subarray(FLOATS * i, FLOATS * i + 9), 9 * i);
            const c = palette[kindOf(raw[FLOATS * i + 9]!, raw[FLOATS * i + 10]!)]!;
            for (let k = 0; k < 9; k += 3) colour.set([c.r, c.g, c.b], 9 * i + k);
        }
        const shape = new BufferGeometry();
        shape.setAttribute('position', new BufferAttribute(at, 3));
        shape.setAttribute('color', new BufferAttribute(colour, 3));
        shape.computeVertexNormals();
        shape.computeBoundingSphere();
        const middle = shape.boundingSphere!.center.clone().negate();
        radius = shape.boundingSphere?.radius ?? 1;
        clear();
        part = new Mesh(shape, new MeshLambertMaterial({ vertexColors: true, flatShading: true }));
        const under = new BufferGeometry();
        under.setAttribute('position', new BufferAttribute(new Float32Array(holding), 3));
        held = new Mesh(
            under,
            new MeshBasicMaterial({
                color: KINDS[0].colour,
                transparent: true,
                opacity: 0.45,
                depthTest: false,
                side: DoubleSide,
            }),
        );
        outline = new LineSegments(
            new EdgesGeometry(under, 20),
            new LineBasicMaterial({ color: KINDS[0].colour, depthTest: false }),
        );
        for (const drawn of [part, held, outline]) drawn.position.copy(middle);
        scene.add(part, held, outline);
        camera.far = radius * 20;
        camera.near = radius / 50;
        camera.updateProjectionMatrix();
        state.value = 'ready';
        look('corner');
    } catch (error) {
        if (!(error instanceof DOMException)) state.value = 'failed';
    }
}
onMounted(() => {
    try {
        renderer = new WebGLRenderer({ antialias: true, alpha: true });
    } catch {
        state.value = 'no-3d';
        return;
    }
    renderer.setPixelRatio(Math.min(2, devicePixelRatio));
    renderer.domElement.setAttribute('role', 'img');
    renderer.domElement.setAttribute(
        'aria-label',
        'The part, coloured by draft. Drag to turn it; the buttons below turn it too.',
    );
    box.value!.append(renderer.domElement);
    controls = new OrbitControls(camera, renderer.domElement);
    controls.enableZoom = true;
    controls.addEventListener('change', draw);
    watch(
        width,
        (w) => {
            if (w > 0) {
                renderer!.setSize(w, Math.min(420, w * 0.6));
                camera.aspect = w / Math.min(420, w * 0.6);
                camera.updateProjectionMatrix();
                draw();
            }
        },
        { immediate: true },
    );
    watch(
        () => [props.file, props.pull, props.male, props.units],
        () => void load(),
        { immediate: true },
    );
});
onBeforeUnmount(() => {
    stop?.abort();
    clear();
    controls?.dispose();
    renderer?.dispose();
});
</script>

<template>
    <figure class="mesh">
        <div ref="box" class="stage">
            <p v-if="state !== 'ready'" class="quiet" role="status">
                {{
                    {
                        loading: 'Fetching every facet …',
                        'no-3d':
                            'This browser draws nothing in three dimensions; the numbers below hold all the same.',
                        failed: 'The drawing did not arrive; the numbers below hold all the same.',
                        ready: '',
                    }[state]
                }}
            </p>
        </div>
        <div v-if="state !== 'no-3d'" class="acts">
            <button
                v-for="[from, word] in [
                    ['corner', 'From a corner'],
                    ['side', 'From the side'],
                    ['above', 'Along the pull'],
                    ['below', 'From below'],
                ] as const"
                :key="from"
                type="button"
                @click="look(from)"
            >
                {{ word }}
            </button>
        </div>
        <figcaption>
            <span v-for="k in KINDS" :key="k.word"><i :style="{ background: k.colour }" /> {{ k.word }}</span>
        </figcaption>
    </figure>
</template>

<style scoped>
.mesh {
    margin: 12px 0 0;
}
.stage {
    background: radial-gradient(var(--paper), var(--still));
    border: 1px solid var(--line);
    border-radius: 4px;
    min-height: 220px;
    position: relative;
    overflow: hidden;
}
.stage p {
    position: absolute;
    inset: 0;
    display: grid;
    place-items: center;
    padding: 20px;
    text-align: center;
}
.stage :deep(canvas) {
    display: block;
    touch-action: none;
}
.acts {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    margin: 8px 0;
}
button {
    min-height: var(--touch);
    padding: 0 14px;
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    color: inherit;
    font: inherit;
    font-weight: 600;
    cursor: pointer;
}
figcaption {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 16px;
}
figcaption span {
    display: inline-flex;
    align-items: center;
    gap: 6px;
}
i {
    width: 16px;
    height: 16px;
    border-radius: 3px;
    border: 1px solid var(--ink);
}
</style>
