/* eslint-disable max-lines -- one room: what stands in it, made of solids, and the camera in it. */
import { type CameraPose, degFromRad, type Vec3 } from '@poise/core';
import {
	BoxGeometry,
	BufferGeometry,
	CapsuleGeometry,
	Color,
	CylinderGeometry,
	DirectionalLight,
	DoubleSide,
	EdgesGeometry,
	ExtrudeGeometry,
	Group,
	HemisphereLight,
	LineBasicMaterial,
	LineSegments,
	Matrix4,
	Mesh,
	MeshLambertMaterial,
	PerspectiveCamera,
	PlaneGeometry,
	Scene,
	Shape,
	SphereGeometry,
	Vector3,
	WebGLRenderer
} from 'three';
import type { PlanShape, VenuePlan } from '$lib/model/venue';
import { subjectPieces, type SubjectShape } from './subjectPieces';

/** What is looked at, as tall as it is drawn. */
interface Subject {
	readonly atM: Vec3;
	readonly tallM: number;
	readonly shape?: SubjectShape | undefined;
}
/** A part of what carries a camera: from where to where, and how thick. */
interface Stroke {
	readonly as: 'rail' | 'arm' | 'tail' | 'base' | 'column';
	readonly fromM: Vec3;
	readonly toM: Vec3;
	readonly thickM: number;
}

/** The lights' inks, from the page's own variables. */
export interface Inks {
	readonly floor: string;
	readonly sky: string;
	readonly wall: string;
	readonly thing: string;
	readonly people: string;
	readonly keepOut: string;
	readonly ink: string;
	readonly subject: string;
	readonly gear: string;
}

/** Left, up and forward of a camera, in the room. */
export function axesOf({ headingRad, elevationRad, rollRad }: CameraPose): {
	readonly forward: Vec3;
	readonly left: Vec3;
	readonly up: Vec3;
} {
	const [ch, sh] = [Math.cos(headingRad), Math.sin(headingRad)];
	const [ce, se] = [Math.cos(elevationRad), Math.sin(elevationRad)];
	const [cr, sr] = [Math.cos(rollRad), Math.sin(rollRad)];
	const level: Vec3 = [-sh, ch, 0];
	const above: Vec3 = [-ch * se, -sh * se, ce];
	const mix = (a: Vec3, s: number, b: Vec3, t: number): Vec3 => [
		a[0] * s + b[0] * t,
		a[1] * s + b[1] * t,
		a[2] * s + b[2] * t
	];
	return { forward: [ce * ch, ce * sh, se], left: mix(level, cr, above, sr), up: mix(above, cr, level, -sr) };
}

/** A metre across, a metre long, along y. */
const rod = new CylinderGeometry(0.5, 0.5, 1, 10);

/** People stand about in their places: this many at most, so that a stadium stays quick. */
const mostPeople = 80;

/** A room of simple solids, drawn whenever it is told to. Throws where a browser gives it no context. */
export class Room {
	readonly #renderer: WebGLRenderer;
	readonly #scene = new Scene();
	readonly #camera = new PerspectiveCamera(40, 16 / 9, 0.02, 900);
	readonly #venue = new Group();
	readonly #gear = new Group();
	readonly #subject = new Group();
	readonly #plain: boolean;
	readonly #rods = new MeshLambertMaterial();
	#inks: Inks;

	constructor(canvas: HTMLCanvasElement, inks: Inks) {
		// Smooth edges cost a machine without a graphics chip more than all the rest.
		this.#plain = drawnBySoftware();
		this.#renderer = new WebGLRenderer({ canvas, antialias: !this.#plain, powerPreference: 'low-power' });
		this.#inks = inks;
		this.#scene.add(this.#venue, this.#gear, this.#subject);
		const sun = new DirectionalLight(0xffffff, 1.9);
		sun.position.set(-4, -7, 12);
		this.#scene.add(sun, new HemisphereLight(0xffffff, 0xb8b8a8, 1.7));
	}

	/** What stands there. */
	venue(plan: VenuePlan | null, inks: Inks): void {
		this.#inks = inks;
		this.#scene.background = new Color(inks.sky);
		empty(this.#venue);
		const floor = new Mesh(new PlaneGeometry(900, 900), new MeshLambertMaterial({ color: inks.floor }));
		floor.position.z = -0.005;
		this.#venue.add(floor, gridOf(inks));
		for (const shape of plan?.shapes ?? []) this.#venue.add(...this.#solidsOf(shape));
		if (plan?.ceilingM != null) {
			const ceiling = new Mesh(
				new PlaneGeometry(200, 200),
				new MeshLambertMaterial({ color: inks.wall, side: DoubleSide, transparent: true, opacity: 0.35 })
			);
			ceiling.position.z = plan.ceilingM;
			this.#venue.add(ceiling);
		}
	}
	#solidsOf(shape: PlanShape): (Mesh | LineSegments)[] {
		const inks = this.#inks;
		const tall = Math.max(0.02, Math.min(30, shape.topM) - shape.bottomM);
		if (shape.kind === 'wall' || shape.kind === 'line') {
			const thick = shape.kind === 'wall' ? 0.05 : 0.03;
			return shape.pointsM.slice(1).flatMap((to, k) => {
				const from = shape.pointsM[k]!;
				const long = Math.hypot(to[0] - from[0], to[1] - from[1]);
				if (long < 1e-6) return [];
				const high = shape.kind === 'wall' ? tall : 0.03;
				const box = new BoxGeometry(long, thick, high);
				const wall = new Mesh(
					box,
					new MeshLambertMaterial({ color: shape.kind === 'wall' ? inks.wall : inks.keepOut })
				);
				const line = edges(box, inks.ink);
				for (const each of [wall, line]) {
					each.position.set((from[0] + to[0]) / 2, (from[1] + to[1]) / 2, shape.bottomM + high / 2);
					each.rotation.z = Math.atan2(to[1] - from[1], to[0] - from[0]);
				}
				return [wall, line];
			});
		}
		const outline = new Shape();
		shape.pointsM.forEach(([x, y], k) => (k === 0 ? outline.moveTo(x, y) : outline.lineTo(x, y)));
		outline.closePath();
		const flat = shape.kind === 'people' || shape.kind === 'keepOut';
		const body = new ExtrudeGeometry(outline, { depth: flat ? 0.02 : tall, bevelEnabled: false });
		const colour = shape.kind === 'obstacle' ? inks.thing : shape.kind === 'people' ? inks.people : inks.keepOut;
		const solid = new Mesh(
			body,
			new MeshLambertMaterial({ color: colour, transparent: flat, opacity: flat ? 0.5 : 1 })
		);
		const line = edges(body, inks.ink);
		for (const each of [solid, line]) each.position.z = flat ? 0 : shape.bottomM;
		return [solid, line, ...(shape.kind === 'people' ? this.#peopleIn(shape) : [])];
	}
	#peopleIn({ pointsM, topM }: PlanShape): Mesh[] {
		const [xs, ys] = [pointsM.map(([x]) => x), pointsM.map(([, y]) => y)];
		const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
		const step = Math.max(0.9, Math.sqrt(((right - left) * (high - low)) / mostPeople));
		const tall = Math.min(1.75, topM);
		const made: Mesh[] = [];
		const material = new MeshLambertMaterial({ color: this.#inks.people });
		const [body, head] = [new CapsuleGeometry(0.2, Math.max(0.1, tall - 0.75), 3, 8), new SphereGeometry(0.12, 10, 8)];
		for (let x = left + step / 2; x < right; x += step)
			for (let y = low + step / 2; y < high && made.length < 2 * mostPeople; y += step) {
				if (!inside(x, y, pointsM)) continue;
				const trunk = new Mesh(body, material);
				trunk.rotation.x = Math.PI / 2;
				trunk.position.set(x, y, (tall - 0.3) / 2);
				const face = new Mesh(head, material);
				face.position.set(x, y, tall - 0.12);
				made.push(trunk, face);
			}
		return made;
	}

	subject({ atM, tallM, shape }: Subject): void {
		empty(this.#subject);
		const material = new MeshLambertMaterial({ color: this.#inks.subject });
		for (const { solid, sizeM, offM } of subjectPieces(shape ?? (tallM > 1 ? 'standing' : 'ball'), tallM)) {
			const [x, y, z] = sizeM;
			const piece = new Mesh(
				solid === 'ball'
					? new SphereGeometry(0.5, 20, 14)
					: solid === 'box'
						? new BoxGeometry(1, 1, 1)
						: new CylinderGeometry(0.5, 0.5, 1, 24).rotateX(Math.PI / 2),
				material
			);
			piece.scale.set(x, y, z);
			piece.position.set(atM[0], atM[1], atM[2] + offM);
			this.#subject.add(piece);
		}
	}

	/** What carries the camera, as far as it may come into its own picture: one rod of unit size, put where each piece is. */
	gear(strokes: readonly Stroke[]): void {
		this.#rods.color.set(this.#inks.gear);
		const shown = strokes.filter(({ as }) => as !== 'column');
		while (this.#gear.children.length < shown.length) this.#gear.add(new Mesh(rod, this.#rods));
		this.#gear.children.forEach((piece, k) => {
			const stroke = shown[k];
			piece.visible = stroke !== undefined;
			if (stroke === undefined) return;
			const [from, to] = [new Vector3(...stroke.fromM), new Vector3(...stroke.toM)];
			const long = Math.max(1e-3, from.distanceTo(to));
			const thick = Math.min(0.24, stroke.thickM);
			piece.position.copy(from).lerp(to, 0.5);
			piece.scale.set(thick, long, thick);
			piece.quaternion.setFromUnitVectors(new Vector3(0, 1, 0), to.sub(from).normalize());
		});
	}

	/** Draws it as the lens sees it. */
	draw(
		pose: CameraPose,
		lens: { readonly focalM: number; readonly sensorHeightM: number },
		widthPx: number,
		heightPx: number,
		dots: number
	): void {
		this.#renderer.setPixelRatio(this.#plain ? 1 : Math.min(2, dots));
		this.#renderer.setSize(widthPx, heightPx, false);
		const camera = this.#camera;
		camera.fov = degFromRad(2 * Math.atan(lens.sensorHeightM / (2 * lens.focalM)));
		camera.aspect = widthPx / heightPx;
		camera.updateProjectionMatrix();
		const { forward, left, up } = axesOf(pose);
		// It looks along its own −z, with x to the right.
		const turned = new Matrix4().makeBasis(
			new Vector3(-left[0], -left[1], -left[2]),
			new Vector3(...up),
			new Vector3(-forward[0], -forward[1], -forward[2])
		);
		camera.quaternion.setFromRotationMatrix(turned);
		camera.position.set(...pose.positionM);
		this.#renderer.render(this.#scene, camera);
	}

	dispose(): void {
		for (const group of [this.#venue, this.#subject]) empty(group);
		this.#rods.dispose();
		this.#renderer.dispose();
	}
}

/** Whether the page is drawn without a graphics chip. */
function drawnBySoftware(): boolean {
	const context = document.createElement('canvas').getContext('webgl2');
	const told = context?.getExtension('WEBGL_debug_renderer_info');
	if (context == null || told == null) return false;
	const renderer = String(context.getParameter(told.UNMASKED_RENDERER_WEBGL));
	context.getExtension('WEBGL_lose_context')?.loseContext();
	return /swiftshader|llvmpipe|software/i.test(renderer);
}

function gridOf({ wall }: Inks): LineSegments {
	const points: Vector3[] = [];
	// As far as lines can be told apart.
	const far = 24;
	for (let k = -far; k <= far; k += 1)
		points.push(new Vector3(k, -far, 0), new Vector3(k, far, 0), new Vector3(-far, k, 0), new Vector3(far, k, 0));
	return new LineSegments(
		new BufferGeometry().setFromPoints(points),
		new LineBasicMaterial({ color: wall, transparent: true, opacity: 0.4 })
	);
}
const edges = (geometry: BufferGeometry, colour: string) =>
	new LineSegments(
		new EdgesGeometry(geometry, 30),
		new LineBasicMaterial({ color: colour, transparent: true, opacity: 0.5 })
	);

function empty(group: Group): void {
	for (const child of [...group.children]) {
		group.remove(child);
		if (!(child instanceof Mesh || child instanceof LineSegments)) continue;
		child.geometry.dispose();
		for (const material of [child.material].flat()) material.dispose();
	}
}

function inside(x: number, y: number, points: PlanShape['pointsM']): boolean {
	let is = false;
	points.forEach(([xi, yi], k) => {
		const [xj, yj] = points[(k + points.length - 1) % points.length]!;
		if (yi > y !== yj > y && x < ((xj - xi) * (y - yi)) / (yj - yi) + xi) is = !is;
	});
	return is;
}
