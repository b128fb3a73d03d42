/** Listens to what the page plays. */
export const listen = () => {
    const connect = AudioNode.prototype.connect as (this: AudioNode, to: AudioNode) => AudioNode
    AudioNode.prototype.connect = function (this: AudioNode, to: AudioNode) {
        if (to === this.context.destination) {
            const heard = new AnalyserNode(this.context, { fftSize: 32768 })
            connect.call(this, heard)
            Object.assign(window, { heard })
        }
        return connect.call(this, to)
    } as AudioNode['connect']
}

/** The highest sample of what was played in the last two thirds of a second. */
export const peak = () => {
    const { heard } = window as unknown as { heard?: AnalyserNode }
    if (!heard) return 0
    const samples = new Float32Array(heard.fftSize)
    heard.getFloatTimeDomainData(samples)
    return samples.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0)
}
