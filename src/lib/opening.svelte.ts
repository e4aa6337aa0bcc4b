/** The drawer for opening a matter can be called from anywhere: the band, the pen line, a key. */
class Opening {
	open = $state(false);
	title = $state('');
	show(title = '') {
		this.title = title;
		this.open = true;
	}
}
export const opening = new Opening();
